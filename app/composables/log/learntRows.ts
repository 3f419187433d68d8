import { idOf, type Figure } from '~~/core/learn/figure'
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

/** The figures of a log as they are told: of a flame its own share and its burner's together, the greatest change first. */
export function learntRows({ figures, sums }: Pick<LearntWithEvidence, 'figures' | 'sums'>): LearntRow[] {
  const believed = believedOf(sums)
  const rows = figures.flatMap((one): LearntRow[] => {
    const { figure } = one
    if (figure.kind === 'burner-heat') return []
    return [figure.kind === 'flame-heat' ? flameRow(one, figure) : rowOf(one)]
  })
  return rows.sort((a, b) => changeEventOf(b) - changeEventOf(a))

  function rowOf({ id, figure, prior, now, evidence }: LearntFigure): LearntRow {
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

/** By how much of what was unsure a figure has moved. */
const changeEventOf = ({ prior, now }: LearntRow) => Math.abs(now.mid - prior.mid) / (prior.high - prior.low)
