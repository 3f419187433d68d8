import { BURNERS, heatIntoPot, type Burner } from '../appliance/burner'
import { COOKERS, type Cooker } from '../appliance/appliance'
import type { PlanRequest } from './request.schema'

/** The inside that stands in for one that nobody has measured. */
const ASSUMED_BODY = COOKERS['whistling-5l-aluminium']!.body

/** The cooker of a request, with an inside; nothing for a generic one that nobody knows. */
export function cookerOf({ cooker }: Pick<PlanRequest, 'cooker'>): Cooker | undefined {
  if (typeof cooker === 'string') return Object.hasOwn(COOKERS, cooker) ? COOKERS[cooker] : undefined
  const { appliance, body, fixedPrograms } = cooker
  return { appliance, body: body ?? ASSUMED_BODY, fixedPrograms }
}

/** The heat in W that each flame of a burner brings into this cooker. */
export function burnerOf(burner: NonNullable<PlanRequest['burner']>, { body }: Cooker): Burner {
  if (typeof burner === 'string') return BURNERS[burner]
  return 'flameW' in burner ? heatIntoPot(burner, body.innerDiameterMm) : burner
}
