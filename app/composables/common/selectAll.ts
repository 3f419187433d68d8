/** What is typed replaces what stands in the field: a tap into “1” and a 2 give 2, not 12. */
export function selectAll({ target }: FocusEvent): void {
  if (target instanceof HTMLInputElement) target.select()
}
