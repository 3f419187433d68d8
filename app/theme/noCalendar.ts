/** In place of the library's calendar, which a field of dates would need. */
export function VuetifyDateAdapter() {}
