import { idOf, OLD_BATCH, type Figure } from '~~/core/learn/figure'
import type { Evidence, LearntFigure } from '~~/core/learn/log'
import { believedOf } from '~~/core/learn/sums'
import type { LearntWithEvidence } from '~~/shared/household'

/** Standard deviations between which four in five of a figure lie. */
const FOUR_IN_FIVE = 1.2816

/** A figure with the band that holds four in five, as logarithms. */
export interface Band {
  low: number
  mid: number
  high: number
}

/** One figure of the log as it is told. */
export interface LearntRow {
  key: string
  figure: Figure
  /** All that is to be forgotten with it. */
  ids: string[]
  prior: Band
  now: Band
  evidence: Evidence[]
  /** What it is a factor of; null for a plain factor. */
  said: number | null
}

const bandOf = ({ mean, sd }: { mean: number; sd: number }): Band => ({
  low: mean - FOUR_IN_FIVE * sd,
  mid: mean,
  high: mean + FOUR_IN_FIVE * sd,
})

/** What is told first: the stove, then bags and foods, then liking, then water. */
const ORDER: readonly Figure['kind'][] = [
  'flame-heat',
  'own-heat',
  'loss',
  'swing',
  'batch',
  'taste',
  'group-taste',
  'need',
  'uptake',
  'steam',
]

/** The figures of a log as they are told: of a flame its own share and its burner's together, the surest first. */
export function learntRows({ figures, sums }: Pick<LearntWithEvidence, 'figures' | 'sums'>): LearntRow[] {
  const believed = believedOf(sums)
  const rows = figures.flatMap((one): LearntRow[] => {
    const { figure } = one
    if (figure.kind === 'burner-heat') return []
    return [figure.kind === 'flame-heat' ? flameRow(one, figure) : rowOf(one)]
  })
  const rank = ({ figure }: LearntRow) => ORDER.indexOf(figure.kind)
  return rows.sort((a, b) => rank(a) - rank(b) || b.evidence.length - a.evidence.length)

  function rowOf({ id, figure, prior, now, evidence }: LearntFigure): LearntRow {
    // An old bag's factor is told from one: what it is above a fresh one.
    const said = figure.kind === 'own-heat' || figure.kind === 'loss' ? believed.saidOf(id) : null
    return { key: id, figure, ids: [id], prior: bandOf(prior), now: bandOf(now), evidence, said }
  }

  function flameRow(own: LearntFigure, { cookerId, burnerId }: Extract<Figure, { kind: 'flame-heat' }>): LearntRow {
    const common = idOf({ kind: 'burner-heat', cookerId, burnerId })
    const burner = figures.find(({ id }) => id === common)
    const prior = { mean: own.prior.mean, sd: Math.hypot(own.prior.sd, burner?.prior.sd ?? 0) }
    const ids = believed.has(common) ? [own.id, common] : [own.id]
    const now = believed.of(new Map(ids.map((id) => [id, 1])))
    const beside = burner?.now.mean ?? 0
    return {
      key: own.id,
      figure: own.figure,
      ids,
      prior: bandOf(prior),
      now: bandOf(now),
      evidence: own.evidence.map((one) => ({ ...one, says: one.says + beside })),
      said: believed.saidOf(own.id),
    }
  }
}

/** Whether a bag counts as old by what was assumed of it. */
export const wasOld = ({ prior }: Pick<LearntRow, 'prior'>) => prior.mid > OLD_BATCH / 2
