import { dayIn } from '~~/shared/day'

/** The household's calendar day: by the time zone of its kitchen, or of this device while that is not known. */
export function useToday() {
  const kitchen = useKitchenStore()
  const timeZone = computed(() => kitchen.kitchen?.likes.timeZone ?? deviceTimeZone())
  const today = (nowMs = serverNow()) => dayIn(nowMs, timeZone.value)
  return { timeZone, today }
}

/** The time zone that this device is set to. */
export const deviceTimeZone = () => new Intl.DateTimeFormat().resolvedOptions().timeZone
