import type { Figure } from '~~/core/learn/figure'
import type { Undecided } from '~~/core/learn/log'
import { figureOfId } from '~~/core/learn/figure'

/** A figure that is off by less than this is as assumed. */
const AS_ASSUMED = 0.03

/** How the figures of a log are told. */
export function useLearntWords() {
  const { t, inSentence, number } = useI18nText()
  const store = useKitchenStore()
  const kitchen = computed(() => store.loaded)
  const called = (rows: readonly { id: string; name: string }[], id: string) =>
    rows.find((row) => row.id === id)?.name ?? t('learnt.gone')

  function name(figure: Figure): string {
    const cooker = 'cookerId' in figure ? called(kitchen.value.cookers, figure.cookerId) : ''
    switch (figure.kind) {
      case 'burner-heat':
        return t('learnt.flame', { burner: burnerName(figure.burnerId), flame: '', cooker })
      case 'flame-heat':
        return t('learnt.flame', {
          burner: burnerName(figure.burnerId),
          flame: inSentence(t(`pot.flames.${figure.flame}`)),
          cooker,
        })
      case 'own-heat':
        return t('learnt.ownHeat', { cooker })
      case 'swing':
        return t('learnt.swing', { cooker })
      case 'loss':
        return t('learnt.loss', { cooker })
      case 'steam':
        return t('learnt.steam', { cooker })
      case 'pressure':
        return t('learnt.pressure', { cooker })
      case 'batch': {
        const bag = kitchen.value.bags.find(({ id }) => id === figure.bagId)
        if (!bag) return t('learnt.gone')
        return t('learnt.batch', { food: store.foodName(bag.foodId), bag: inSentence(bag.name) })
      }
      case 'need':
        return t('learnt.need', { food: store.foodName(figure.foodId) })
      case 'uptake':
        return t('learnt.uptake', { food: store.foodName(figure.foodId) })
      case 'group-taste':
        return t('learnt.groupTaste', { group: inSentence(t(`larder.groups.${figure.group}`)) })
      case 'taste':
        return t('learnt.taste')
    }
  }
  const burnerName = (id: string) => (id === 'unsaid' ? t('learnt.unnamedBurner') : called(kitchen.value.burners, id))

  /** A logarithm of the figure in its own unit: W, g/g, or times what is assumed. */
  function value({ figure, said }: Pick<LearntRow, 'figure' | 'said'>, log: number): string {
    if ((figure.kind === 'flame-heat' || figure.kind === 'own-heat') && said !== null)
      return `${number(Math.round((said * Math.exp(log)) / 5) * 5)} W`
    if (figure.kind === 'uptake') {
      const food = store.food(figure.foodId)
      if (food) return `${number(food.uptakeTender * Math.exp(log), 2)} g/g`
    }
    return `× ${number(Math.exp(log), 2)}`
  }

  /** What a figure means, in a few words. */
  function meaning({ figure, now, prior }: LearntRow): string {
    const off = now.mid - (figure.kind === 'batch' ? 0 : prior.mid)
    if (Math.abs(off) < AS_ASSUMED) return t('learnt.says.same')
    const more = off > 0
    switch (figure.kind) {
      case 'burner-heat':
      case 'flame-heat':
      case 'own-heat':
        return t(more ? 'learnt.says.heatMore' : 'learnt.says.heatLess')
      case 'group-taste':
      case 'taste':
        return t(more ? 'learnt.says.tasteMore' : 'learnt.says.tasteLess')
      case 'swing':
        return t(more ? 'learnt.says.swingMore' : 'learnt.says.swingLess')
      case 'loss':
        return t(more ? 'learnt.says.lossMore' : 'learnt.says.lossLess')
      case 'steam':
        return t(more ? 'learnt.says.steamMore' : 'learnt.says.steamLess')
      case 'pressure':
        return t(more ? 'learnt.says.pressureMore' : 'learnt.says.pressureLess')
      case 'batch':
        return t(more ? 'learnt.says.batchMore' : 'learnt.says.batchLess')
      case 'need':
        return t(more ? 'learnt.says.needMore' : 'learnt.says.needLess')
      case 'uptake':
        return t(more ? 'learnt.says.uptakeMore' : 'learnt.says.uptakeLess')
    }
  }

  /** Two figures that are not told apart yet, and the pot that would; null for what is told together anyway. */
  function undecided({ a, b }: Undecided): string | null {
    const [one, other] = [figureOfId(a), figureOfId(b)]
    if (!one || !other) return null
    const kinds = [one.kind, other.kind]
    const params = { a: name(one), b: name(other) }
    if (kinds.includes('burner-heat')) return null
    if (kinds.includes('pressure')) return t('learnt.undecided.cooker', params)
    if (kinds.includes('batch')) return t('learnt.undecided.batchNeed', params)
    if (kinds.includes('need')) return t('learnt.undecided.needTaste', params)
    if (kinds.includes('taste')) return t('learnt.undecided.tastes', params)
    return t('learnt.undecided.other', params)
  }

  return { name, value, meaning, undecided }
}
