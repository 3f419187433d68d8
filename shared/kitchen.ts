import type { Burner, Cooker } from '../core/pot/cookers'
import type { PlanAnswer } from '../core/program/answer'
import type { PlanRequest } from '../core/program/request'
import type { RunSummary } from './run'

export interface HouseholdCooker {
  id: string
  name: string
  cooker: Cooker
}

export interface HouseholdBurner {
  id: string
  name: string
  burner: Burner
}

export interface HouseholdMeasure {
  id: string
  name: string
  volumeMl: number
}

export interface Kitchen {
  name: string
  altitudeM: number
  roomC: number
  tapC: number
  cookers: HouseholdCooker[]
  burners: HouseholdBurner[]
  measures: HouseholdMeasure[]
}

export interface SavedPlan {
  id: string
  name: string
  cookerId: string | null
  cookerName: string | null
  request: PlanRequest
  answer: PlanAnswer
  createdAt: string
}

/** A run with the plan it follows. */
export interface RunWithPlan extends RunSummary {
  plan: SavedPlan
}
