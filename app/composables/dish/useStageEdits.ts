import { v4 as uuid } from 'uuid'
import { MOST } from '~~/core/bounds'
import { joined, joinsWith, moved, parted, without, withLineAt } from '~~/core/dish/arrange'
import type { StageKind } from '~~/core/dish/names'
import { STAGES } from '~~/core/dish/stages'
import { newStage, type DishDocument } from '~~/shared/dish'

/** What a cook does to the stages of a dish: by press, by key, or by carrying one onto another. `list` has the focus after. */
export function useStageEdits(dish: Ref<DishDocument | null>, list: Readonly<Ref<HTMLElement | null>>) {
  const kitchen = useKitchen()
  const editing = ref<string | null>(null)
  const indexOf = (stageId: string) => dish.value!.stages.findIndex(({ id }) => id === stageId)

  function add(kind: StageKind) {
    if (!dish.value || dish.value.stages.length >= MOST.dishStages) return
    const last = dish.value.stages.at(-1)
    const stage = newStage(uuid(), kind, STAGES[kind].beginsAnew ? null : (last?.id ?? null), kitchen.value)
    dish.value.stages.push(stage)
    editing.value = stage.id
  }
  /** Moving a row takes the focus from the press that moved it. */
  async function move(index: number, to: number) {
    const focused = document.activeElement
    dish.value!.stages = moved(dish.value!.stages, index, to)
    await nextTick()
    if (focused instanceof HTMLElement) focused.focus()
  }
  async function change(to: DishDocument['stages']) {
    dish.value!.stages = to
    if (!to.some(({ id }) => id === editing.value)) editing.value = null
    await nextTick()
    list.value?.focus()
  }
  const remove = (index: number) => change(without(dish.value!.stages, index))
  const join = (stageId: string) => change(joined(dish.value!.stages, stageId))
  const part = (stageId: string) => change(parted(dish.value!.stages, stageId, uuid()))
  const moveLine = (line: string, to: string) => (dish.value!.stages = withLineAt(dish.value!.stages, line, to))

  const { carried } = provideDishCarry((load, onto) => {
    if (load.kind === 'line') return moveLine(load.id, onto)
    // The same thing twice, one after the other: put onto each other they become one.
    const joins = [load.id, onto].find((of) => [load.id, onto].includes(joinsWith(dish.value!.stages, of)?.id ?? ''))
    if (joins) void join(joins)
    else void move(indexOf(load.id), indexOf(onto))
  })
  return { editing, carried, add, move, remove, join, part, moveLine }
}
