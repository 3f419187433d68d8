import { instructionsOfDish } from '~~/core/guide/dish'
import { dishOf, dishRequestOf, type DishDocument } from '~~/shared/dish'

/** Cautions of the dish, and not of one of its stages. */
const OF_WHOLE = ['never-cooked', 'much-salt', 'cool-in-time', 'lectin-not-done', 'meat-never-cooked', 'keep-hot']

/**
 * What a dish comes to in this kitchen, or in another number than it is written for. `whole` is the dish with its stages,
 * be they its own or proposed; `shown` the one that the answer is of.
 */
export function useDishAnswer(dish: Ref<DishDocument | null>, whole: Readonly<Ref<DishDocument | null>>) {
  const kitchen = useKitchen()
  const learnt = useLearntStore()
  // Read as a whole: whatever is changed in it asks anew.
  const request = computed(
    () =>
      whole.value &&
      dishRequestOf(
        JSON.parse(JSON.stringify(whole.value)) as DishDocument,
        kitchen.value,
        serverNow(),
        learnt.believed,
      ),
  )
  const { result: outcome, failed } = useWorked(request, (work, asked) => work.dish(asked), 'answer')
  const scaling = useDishFor(dish, request)
  const { scaledTo } = scaling

  const answer = computed(() => scaledTo.value?.answer ?? (outcome.value?.ok ? outcome.value.value : null))
  const problems = computed(() => (outcome.value && !outcome.value.ok ? outcome.value.problems : []))
  const shown = computed<DishDocument | null>(() =>
    dish.value && scaledTo.value ? { ...scaledTo.value.dish, shape: dish.value.shape } : whole.value,
  )
  /** The most liquid in g that any stage of it holds. */
  const most = computed(() =>
    Math.max(
      1,
      ...(answer.value?.stages ?? []).map(
        ({ liquid }) => liquid.beforeG + liquid.pouredG + liquid.givenG + liquid.backG,
      ),
    ),
  )
  /** The answer that stands is of these stages, and not of those before them. */
  const isOfThese = computed(() => {
    const ids = (stages: readonly { id: string }[] = []) => stages.map(({ id }) => id).join()
    return ids(answer.value?.stages) === ids(shown.value?.stages)
  })
  /** Everything that is done, stage by stage. */
  const told = computed(() =>
    request.value && shown.value && answer.value && isOfThese.value
      ? instructionsOfDish({ ...request.value, dish: dishOf(shown.value) }, answer.value)
      : [],
  )
  const stepsOf = (stageId: string) =>
    told.value.filter((one) => one.do !== 'serve' && 'stage' in one.from && one.from.stage === stageId)
  const answerAt = (stageId: string) => answer.value?.stages.find((one) => one.id === stageId) ?? null

  const refused = computed(() => answer.value?.cautions.filter(({ severity }) => severity === 'refuse') ?? [])
  const canCook = computed(
    () =>
      (answer.value?.stages ?? []).length > 0 &&
      refused.value.length === 0 &&
      answer.value!.stages.every((one) => one.problems.length === 0),
  )
  const ofWhole = computed(() => answer.value?.cautions.filter(({ id }) => OF_WHOLE.includes(id)) ?? [])

  return {
    ...scaling,
    ...{ request, outcome, failed, answer, problems, shown, most, stepsOf, answerAt, refused, canCook, ofWhole },
  }
}
