import { mdiCheckboxBlankOutline, mdiCheckboxMarked, mdiMinusBox } from '@mdi/js'
import { VSvgIcon } from 'vuetify/lib/composables/icons.js'

/** The library's own pictures, as far as a part of it that is used here shows one. */
export const aliases = {
  checkboxOn: `svg:${mdiCheckboxMarked}`,
  checkboxOff: `svg:${mdiCheckboxBlankOutline}`,
  checkboxIndeterminate: `svg:${mdiMinusBox}`,
}
export const mdi = { component: VSvgIcon }
