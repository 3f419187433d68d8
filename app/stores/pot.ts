import { defineStore } from 'pinia'
import { MOST } from '~~/core/bounds'
import { readAmount, typedAmount } from '~~/core/quantity/number'
import { useLocalStorage } from '@vueuse/core'
import { STORED } from '~/composables/documents/storageShape'
import { findFood } from '~~/core/food/catalogue'
import { standsInLiquid } from '~~/core/food/food'
import type { Food } from '~~/core/food/food.schema'
import type { PlanRequest } from '~~/core/program/request.schema'
import type { StyleKind } from '~~/core/names'
import { stylesFor } from '~~/core/appliance/appliance'
import { foodById, foodOf, measuredCooker, type HouseholdCooker } from '~~/shared/kitchen'
import {
  burnerOf,
  cookerOf,
  emptyStack,
  newItem,
  newPot,
  placedItems,
  withFood,
  type AskedAmount,
  type Pot,
} from '~~/shared/pot'
import { requestOf } from '~~/shared/pot-request'
import type { AlsoAsked } from '~/composables/pot/askedFood'
import type { AskedMore } from '~/components/common/FoodFind.vue'
import type { KeptPot } from '~~/shared/household'

const MOST_FOODS = MOST.items

/** Of a pot that was kept under a name: which, and as what it was last kept. */
interface KeptAs extends Pick<KeptPot, 'id' | 'name' | 'favourite' | 'version'> {
  content: string
}

/** A pot in one order of keys, whoever wrote it down: the database keeps them in its own. */
const contentOf = (pot: Pot) =>
  JSON.stringify(pot, (_, value: unknown) =>
    value && typeof value === 'object' && !Array.isArray(value)
      ? Object.fromEntries(Object.entries(value).sort(([a], [b]) => a.localeCompare(b)))
      : value,
  )

/** The pot being planned: kept on this device as it is typed, so that nothing is lost by a reload. */
export const usePotStore = defineStore('pot', () => {
  const kitchen = useKitchen()
  const { language } = useLanguage()
  const start = newPot(findFood('navy-bean')!, kitchen.value)
  start.items[0]!.amount = '2'
  // Which kept pot it is belongs to what undo brings back; as what that one was last kept does not.
  const shown = useLocalStorage<{ pot: Pot; keptId: string | null }>(STORED.pot, { pot: start, keptId: null })
  const lastKept = useLocalStorage<Record<string, KeptAs>>(STORED.keptPots, {})
  const form = computed({
    get: () => shown.value.pot,
    set: (pot: Pot) => (shown.value.pot = pot),
  })
  /** Loose or in tins: how the pot is looked at. Only what is done there changes the pot. */
  const view = usePotView()
  const isStacked = computed(() => form.value.stack?.places.some((place) => place !== '') ?? false)
  /** The pot as it would be kept: in tins if it is looked at so and something stands in them. */
  const content = computed<Pot>(() => ({ ...form.value, inTins: view.value === 'tins' && isStacked.value }))
  const keptAs = computed<KeptAs | null>(() => lastKept.value[shown.value.keptId ?? ''] ?? null)
  const { settle, undo, redo, canUndo, canRedo } = useTypedHistory(shown)

  const foods = computed(() => form.value.items.map(({ foodId }) => foodById(kitchen.value, foodId) ?? null))
  const names = computed(() => form.value.items.map(({ foodId }) => useKitchenStore().foodName(foodId)))
  const name = computed(() => keptAs.value?.name ?? names.value.join(' + ').slice(0, 120))
  const changed = computed(() => keptAs.value !== null && contentOf(content.value) !== keptAs.value.content)

  function chooseFood(index: number, id: string) {
    const food = foodById(kitchen.value, id)
    if (!food) return
    form.value.items[index] = withFood(form.value.items[index]!, food, kitchen.value)
    if (form.value.items.length === 1) form.value.freeLiquid = standsInLiquid(food) ? 'spoonable' : 'drained'
  }

  function addFood(food: Food, asked: AskedAmount | null = null) {
    if (form.value.items.length >= MOST_FOODS) return
    form.value.items.push(newItem(food, kitchen.value, asked))
    const { stack } = form.value
    stack?.places.push('')
    stack?.locks.push('any')
    stack?.soakFree.push(true)
  }

  function removeFood(index: number) {
    form.value.items.splice(index, 1)
    const { stack } = form.value
    stack?.places.splice(index, 1)
    stack?.locks.splice(index, 1)
    stack?.soakFree.splice(index, 1)
  }

  /** The same again for so many times as much: foods and liquids alike, the rest is worked out anew. */
  function timesAll(times: number) {
    const { decimal } = kitchen.value.likes
    for (const one of [...form.value.items, ...form.value.liquids])
      one.amount = typedAmount(readAmount(one.amount, decimal) * times, decimal) || one.amount
  }

  /** Says at which closing of the lid each food of the request goes in; all from the start if nothing is said. */
  function joinAt(joins: readonly number[]) {
    const placed = placedItems(planned.value)
    form.value.items.forEach((item, i) => (item.joins = joins[placed.indexOf(i)] ?? 0))
  }
  const inPhases = computed(() => new Set(form.value.items.map(({ joins }) => joins)).size > 1)

  /** Puts another pot in this one's place; undo brings the one before back. */
  function replace(pot: Pot, keptId: string | null = null) {
    settle()
    shown.value = { pot: JSON.parse(JSON.stringify(pot)) as Pot, keptId }
    settle()
  }

  /** The hour by which it is to be ready, as “19:30”; empty where none is asked for. It goes with this pot, not with the next. */
  const readyBy = ref('')
  function startWith(food: Food, asked: AskedAmount | null = null) {
    leftOut.value = []
    readyBy.value = ''
    replace(newPot(food, kitchen.value, asked))
  }
  /** Starts with all that one question named; answers with what of it was not found. */
  async function startWithAll(foodId: string, asked: AskedAmount | null, more: AskedMore): Promise<string[]> {
    const food = foodById(kitchen.value, foodId)
    if (!food) return []
    const unknown: string[] = []
    let also: AlsoAsked | null = null
    if (more.also.length > 0) {
      const { likes, measures, foods: own } = kitchen.value
      const measuring = toPlain({ decimal: likes.decimal, measures, foods: own.map(foodOf) })
      const [{ sortAlso }, lines] = await Promise.all([
        import('~/composables/pot/askedFood'),
        useWorker('answer').readLines(more.also, measuring, language.value),
      ])
      also = sortAlso(lines, kitchen.value)
      unknown.push(...also.unknown)
    }
    startWith(food, asked)
    if (more.isUnsoaked) for (const item of form.value.items) item.soakHours = '0'
    for (const one of also?.foods ?? []) {
      const found = foodById(kitchen.value, one.foodId)
      if (found) addFood(found, one.amount)
    }
    form.value.liquids.push(...(also?.liquids ?? []))
    leftOut.value = unknown
    return unknown
  }
  /** What was named when the pot was started and could not be found. */
  const leftOut = ref<string[]>([])
  /** Takes a kept pot; answers the address at which it is looked at. */
  function open(kept: KeptPot): string {
    remember(kept)
    replace(kept.content, kept.id)
    return kept.content.inTins ? TINS_PATH : LOOSE_PATH
  }

  /** The pot here has just been kept as this one. */
  function keepAs(kept: KeptPot) {
    remember(kept)
    shown.value.keptId = kept.id
  }
  function remember({ id, name: called, favourite, version, content: pot }: KeptPot) {
    lastKept.value[id] = { id, name: called, favourite, version, content: contentOf(pot) }
  }
  /** The kept pot that this one is was changed on the server by what was done here. */
  const keptChanged = (kept: KeptPot) => lastKept.value[kept.id] && remember(kept)
  /** Goes on with the same pot as one that nobody has kept. */
  const detach = () => (shown.value.keptId = null)

  const cooker = computed(() => cookerOf(form.value, kitchen.value))
  const burner = computed(() => burnerOf(form.value, kitchen.value))
  /** The cooker and burner as they were measured, where they were. */
  const measured = computed(() => (cooker.value ? measuredCooker(cooker.value, burner.value) : null))

  const styleKinds = computed(() => (cooker.value ? stylesFor(cooker.value.cooker) : []))
  const chosenKind = computed(() => form.value.styles[cooker.value?.cooker.appliance.kind ?? ''])
  /** The cook has said how this cooker is to be told what to do. */
  const isChosen = computed(() => chosenKind.value !== undefined && styleKinds.value.includes(chosenKind.value))
  const usualKind = computed<StyleKind | null>(() => {
    const counts = kitchen.value.likes.counts !== 'never'
    return styleKinds.value.find((kind) => counts || kind !== 'whistles') ?? null
  })
  /** Another way than the usual one may be taken where its whistles could not be counted. */
  const isFree = computed(() => !isChosen.value && kitchen.value.likes.counts === 'usual')
  /** The way that was taken instead (core/program/count). */
  const found = shallowRef<PlanRequest['style'] | null>(null)
  /** Leaves it to Bivvet again how this cooker is told what to do. */
  function leaveStyle() {
    const { [cooker.value?.cooker.appliance.kind ?? '']: _, ...styles } = form.value.styles
    form.value.styles = styles
  }
  /** How another cooker would be told: as the cook said of its kind, else as is usual. */
  function styleOf({ cooker: of }: HouseholdCooker): StyleKind | null {
    const kinds = stylesFor(of)
    const said = form.value.styles[of.appliance.kind]
    return said && kinds.includes(said) ? said : (kinds[0] ?? null)
  }
  const styleKind = computed<StyleKind | null>({
    get() {
      return isChosen.value ? chosenKind.value! : (found.value?.kind ?? usualKind.value)
    },
    set(style) {
      const kind = cooker.value?.cooker.appliance.kind
      if (kind && style) form.value.styles = { ...form.value.styles, [kind]: style }
    },
  })

  const learnt = useLearntStore()
  /** The request for one cooker and style of this kitchen, with what its log has taught. */
  const requestFor = (of: HouseholdCooker, kind: StyleKind): PlanRequest | null =>
    requestOf(planned.value, kitchen.value, of, kind, serverNow(), learnt.believed)
  /** What is asked for by what the cook has said. */
  const asked = computed(() => {
    const kind = isChosen.value ? chosenKind.value : usualKind.value
    return cooker.value && kind ? requestFor(cooker.value, kind) : null
  })
  /** The same in the way that is taken. */
  const request = computed(
    () => asked.value && (isFree.value && found.value ? { ...asked.value, style: found.value } : asked.value),
  )

  /** The pot as it is planned: loose, or in tins with whatever stands in them. */
  const planned = computed<Pot>(() =>
    view.value === 'loose'
      ? { ...form.value, inTins: false }
      : { ...form.value, inTins: true, stack: form.value.stack ?? emptyStack(form.value) },
  )

  // A figure that the cook gave belongs to the pot it was given for: any other change ends it.
  const givenOf = (pot: Pot) => JSON.stringify(pot.given)
  const restOf = ({ given: _, soakingSince: __, ...rest }: Pot) => JSON.stringify([view.value, rest])
  watch(
    () => [givenOf(form.value), restOf(form.value)] as const,
    ([given, rest], [givenBefore, restBefore]) => {
      if (rest !== restBefore && given === givenBefore) form.value.given = []
    },
  )

  return {
    form,
    view,
    content,
    keptAs,
    changed,
    name,
    names,
    foods,
    undo,
    redo,
    canUndo,
    canRedo,
    chooseFood,
    timesAll,
    joinAt,
    inPhases,
    addFood,
    removeFood,
    replace,
    readyBy,
    startWith,
    startWithAll,
    leftOut,
    open,
    keepAs,
    keptChanged,
    detach,
    cooker,
    burner,
    measured,
    styleKinds,
    styleKind,
    styleOf,
    isFree,
    found,
    leaveStyle,
    asked,
    requestFor,
    planned,
    request,
    MOST_FOODS,
  }
})
