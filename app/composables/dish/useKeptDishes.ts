import { LENGTH } from '~~/core/bounds'
import { firstLitAt, runState } from '~~/core/live/run'
import type { KeptDish } from '~~/shared/household'

/** The dishes of the household as they stand in lists: what is in them, copied, taken off and put back. */
export function useKeptDishes() {
  const { t, number, list, day } = useI18nText()
  const runs = useRunsStore()
  const { lineName } = useDishWords()
  const store = useDishesStore()
  const progress = useBegunStore()
  const save = ({ id, ...kept }: KeptDish) => store.save(id, kept)
  const { attempt, ...actions } = useKeptActions<KeptDish>({ remove: store.remove, save })

  /** The foods that decide and what else there is most of, and for how many. */
  const MOST_TOLD = 4
  /** The stage that it is at while it is cooked; null for one that is not. */
  const cookedAt = ({ id, content: dish }: Pick<KeptDish, 'id' | 'content'>) => {
    const at = progress.all[id]?.at ?? dish.stages.length
    return at < dish.stages.length ? at : null
  }
  const describe = ({ id, content: dish }: KeptDish) => {
    const heaviest = [...dish.lines].sort((a, b) => (b.g ?? 0) - (a.g ?? 0)).slice(0, MOST_TOLD)
    const told = list(heaviest.map(lineName))
    const last = runs.log?.find(({ name, events }) => name === dish.name && firstLitAt(runState(events)) !== null)
    const cooked = last ? t('dishes.cooked', { day: day(startedMsOf(last)) }) : ''
    const at = cookedAt({ id, content: dish })
    const cooking = at === null ? '' : t('dishes.isCooked', { n: number(at + 1), all: number(dish.stages.length) })
    return [cooking, told, t('dishes.for', { n: number(dish.servings) }), cooked].filter(Boolean).join(' · ')
  }
  /** Everything by which it may be looked for. */
  const words = ({ content: dish }: KeptDish) => dish.lines.map((line) => `${line.typed} ${lineName(line)}`).join(', ')
  const star = (kept: KeptDish) => attempt(() => save({ ...kept, favourite: !kept.favourite }))
  const copy = (kept: KeptDish) =>
    attempt(() =>
      store.add({
        content: { ...kept.content, name: t('dishes.copyOf', { name: kept.name }).slice(0, LENGTH.potName) },
      }),
    )
  return { ...actions, cookedAt, describe, words, star, copy }
}
