import type { StyleKind } from '../names'
import type { ApplianceKind, FixedProgram, PotBody } from './kind'
import { bowl } from './kinds/bowl'
import { electric } from './kinds/electric'
import { open } from './kinds/open'
import { regulator } from './kinds/regulator'
import { rice } from './kinds/rice'
import { slow } from './kinds/slow'
import { whistling } from './kinds/whistling'

/** Every kind of appliance. */
export const KINDS = { whistling, regulator, electric, open, rice, slow, bowl }

/** The kinds' names, in the order in which they are offered. */
export const KIND_NAMES = Object.keys(KINDS) as Appliance['kind'][]

type Kinds = typeof KINDS
export type Appliance = { [Kind in keyof Kinds]: Kinds[Kind] extends ApplianceKind<infer A> ? A : never }[keyof Kinds]

/** An appliance with the inside of its pot, and the device programs that the household has measured. */
export interface Cooker {
  appliance: Appliance
  body: PotBody
  fixedPrograms?: FixedProgram[]
}

/** All that is particular to an appliance's kind. */
export function kindOf({ kind }: Pick<Appliance, 'kind'>): ApplianceKind<Appliance> {
  return KINDS[kind] as ApplianceKind<Appliance>
}

export const holdsPressure = (appliance: Pick<Appliance, 'kind'>) => kindOf(appliance).holdsPressure
/** It has its own heat; the others stand on a flame. */
export const heatsItself = (appliance: Pick<Appliance, 'kind'>) => kindOf(appliance).heatsItself

/** The ways in which a cook can tell this cooker what to do, the usual one first. */
export function stylesFor({
  appliance,
  fixedPrograms,
}: Pick<Cooker, 'appliance' | 'fixedPrograms'>): readonly StyleKind[] {
  const own: StyleKind[] = fixedPrograms && fixedPrograms.length > 0 ? ['fixed'] : []
  return [...kindOf(appliance).styles, ...own]
}

/** Generic cookers to start from, by id (engineering estimates; a water test or the log replaces them). */
export const COOKERS: Readonly<Record<string, Cooker>> = allGeneric()

/** Those of all kinds together; two of one id would hide one another. */
function allGeneric(): Record<string, Cooker> {
  const all = Object.values(KINDS).flatMap(({ generic }) => Object.entries(generic))
  const byId = new Map(all)
  if (byId.size < all.length) throw new TypeError('Two generic cookers have one id.')
  return Object.fromEntries(byId)
}

/** The figures in which an appliance differs from what it was before. */
export function changedFigures(before: Appliance, { kind: _, ...after }: Appliance): Record<string, number> {
  const was = new Map<string, number | string>(Object.entries(before))
  return Object.fromEntries(Object.entries<number>(after).filter(([name, value]) => was.get(name) !== value))
}

/** The appliance with some of its figures replaced by measured ones. */
export function withFigures(appliance: Appliance, figures: Partial<Record<string, number>>): Appliance {
  return { ...appliance, ...figures } as Appliance
}
