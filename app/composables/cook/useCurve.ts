import type { MaybeRefOrGetter } from 'vue'
import type { Course } from '~~/core/live/course'
import { simulate } from '~~/core/pot/simulate'

/** What was planned for one closing of the lid, for drawing it. */
export function useCurve(course: MaybeRefOrGetter<Course>) {
  return computed(() => {
    const { pot, program, release } = toValue(course)
    return simulate({ ...pot, program, release }, { trace: true })
  })
}
