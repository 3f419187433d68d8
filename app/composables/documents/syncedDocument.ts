import { useDebounceFn, useLocalStorage } from '@vueuse/core'
import type { Kept } from '~~/shared/document'
import type { Contents } from '~~/shared/documents'
import type { KeptKind } from '~~/shared/names'
import { unsentKey } from './storageShape'

const SAVE_AFTER_MS = 700

/** A document as it stands on this device, where the server does not have that yet; `base` is what it was made from. */
export interface Unsent<Content> {
  version: number
  favourite: boolean
  content: Content
  base: Content | null
}

interface SyncOptions<Content> {
  /** Puts what was changed here and what another device has made of it together; null where the cook is to be asked. */
  merge?: (base: Content, theirs: Content, ours: Content) => Content | null
  /** Its lists, say, have it too. */
  onKept?: (kept: Kept<Content>) => void
  /** It is replaced and never changed in place. */
  shallow?: boolean
}

/**
 * A document as this device has it. What is changed here is seen at once and kept on the server a moment later, one
 * change after another; what has not got there yet is kept on the device, over reloads, and sent when the server can be
 * reached.
 */
export function syncedDocument<Kind extends KeptKind>(
  kind: Kind,
  id: string,
  { merge, onKept, shallow = false }: SyncOptions<Contents[Kind]> = {},
) {
  type Content = Contents[Kind]
  const path = `/documents/${kind}/${id}`
  const content = (shallow ? shallowRef(null) : ref(null)) as Ref<Content | null>
  const favourite = ref(false)
  const state = ref<'loading' | 'missing' | 'kept' | 'waiting' | 'offline' | 'refused' | 'conflict'>('loading')
  const failure = ref<ApiFailure | null>(null)
  /** What another device has made of it meanwhile, where both cannot stand. */
  const theirs = shallowRef<Kept<Content> | null>(null)
  /** How often the whole was replaced by what another device has kept. */
  const takenOver = ref(0)
  const unsent = useLocalStorage<Unsent<Content> | null>(unsentKey(kind, id), null, {
    serializer: { read: (text) => JSON.parse(text) as Unsent<Content>, write: JSON.stringify },
    shallow: true,
  })
  /** The version that this one was made from, what it was, and the text of what was last kept. */
  let version = 0
  let base: Content | null = null
  let keptText = ''
  let saving: Promise<void> | null = null

  const copy = (of: Content) => JSON.parse(JSON.stringify(of)) as Content
  const textOf = (star: boolean, of: Content | null) => JSON.stringify([star, of])
  const isDirty = () => content.value !== null && textOf(favourite.value, content.value) !== keptText

  /** Stands on what is kept: nothing is left to send. */
  function isKept() {
    unsent.value = null
    failure.value = null
    state.value = 'kept'
  }
  function standOn(now: Kept<Content>) {
    version = now.version
    base = now.content
    keptText = textOf(now.favourite, now.content)
  }
  function keepHere() {
    unsent.value = { version, favourite: favourite.value, content: copy(content.value!), base }
  }

  function take(now: Kept<Content>) {
    standOn(now)
    favourite.value = now.favourite
    content.value = shallow ? now.content : copy(now.content)
    theirs.value = null
    isKept()
    takenOver.value++
  }
  /** Takes up what was left unsent before the page was loaded anew. */
  function takeUp(now?: Kept<Content>) {
    const left = unsent.value!
    ;({ version, base } = left)
    favourite.value = left.favourite
    content.value = copy(left.content)
    keptText = now?.version === version ? textOf(now.favourite, now.content) : ''
    state.value = 'waiting'
  }

  async function load() {
    try {
      const now = await api<Kept<Content>>(path)
      if (state.value === 'kept') failure.value = null
      if (content.value === null && unsent.value) {
        takeUp(now)
        await save()
      } else if (!isDirty() && !saving && now.version !== version) take(now)
    } catch (error) {
      if (content.value !== null) return
      failure.value = failureOf(error)
      const { status, kind: why } = failure.value
      state.value = status === 404 ? 'missing' : why === 'refused' ? 'refused' : 'offline'
    }
  }

  /** Keeps what has changed; done when it is kept or cannot be. */
  async function save(): Promise<void> {
    while (saving) await saving
    if (theirs.value || content.value === null) return
    saving = send()
    try {
      await saving
    } finally {
      saving = null
    }
    if (state.value === 'waiting' && isDirty() && !failure.value) await save()
  }
  async function send(): Promise<void> {
    if (!isDirty()) return isKept()
    const sent = { favourite: favourite.value, content: copy(content.value!) }
    try {
      const now = await api<Kept<Content>>(path, { method: 'PUT', body: { version, ...sent } })
      standOn({ ...now, ...sent })
      failure.value = null
      if (isDirty()) {
        state.value = 'waiting'
        keepHere()
      } else isKept()
      onKept?.(now)
    } catch (error) {
      failure.value = failureOf(error)
      const { kind: why, status, now } = failure.value
      if (status === 409 && now) meet(now as Kept<Content>)
      else state.value = why === 'refused' ? 'refused' : 'offline'
    }
  }
  /** Another device was quicker. */
  function meet(now: Kept<Content>) {
    const merged = base && merge ? merge(base, now.content, copy(content.value!)) : null
    if (merged) return standTogether(now, merged)
    theirs.value = now
    state.value = 'conflict'
  }
  /** Stands as what was put together, upon what another device has made of it. */
  function standTogether(now: Kept<Content>, merged: Content) {
    content.value = merged
    standOn(now)
    theirs.value = null
    failure.value = null
    state.value = 'waiting'
    if (isDirty()) keepHere()
    else isKept()
  }
  /** The cook has chosen to have both. */
  async function putTogether(merged: Content) {
    if (!theirs.value) return
    standTogether(theirs.value, merged)
    await save()
  }

  /** What another device has made of it stands; what was changed here goes. */
  const takeTheirs = () => theirs.value && take(theirs.value)
  /** What stands here is put over what another device has made of it. */
  async function putOurs() {
    if (!theirs.value) return
    ;({ version } = theirs.value)
    theirs.value = null
    failure.value = null
    state.value = 'waiting'
    await save()
  }

  /** It is new: what is changed before the server has answered is made upon this. */
  function begin(fresh: Content) {
    base = fresh
    content.value = fresh
    void save()
  }
  /** It is gone: nothing is sent of it any more. */
  function forget() {
    content.value = null
    unsent.value = null
  }
  /** It was taken off, and is to be there again. */
  function putBack(gone: Kept<Content>) {
    standOn(gone)
    keptText = ''
    favourite.value = gone.favourite
    content.value = gone.content
    void save()
  }

  const saveSoon = useDebounceFn(() => save(), SAVE_AFTER_MS)
  watch(
    [content, favourite],
    () => {
      if (!isDirty()) {
        // Back to what is kept, by undo.
        if (!saving && (state.value === 'waiting' || state.value === 'refused')) isKept()
        return
      }
      keepHere()
      if (state.value === 'conflict') return
      state.value = 'waiting'
      failure.value = null
      void saveSoon()
    },
    // What is replaced as a whole is seen at once: the next change is made upon it.
    { deep: !shallow, flush: shallow ? 'sync' : 'pre' },
  )
  whenReachable(() => {
    if (state.value !== 'offline' || saving) return
    return content.value === null ? load() : save()
  })

  return {
    content,
    favourite,
    state,
    failure,
    theirs,
    takenOver,
    isDirty,
    load,
    save,
    take,
    takeUp,
    takeTheirs,
    putOurs,
    putTogether,
    begin,
    forget,
    putBack,
    version: () => version,
    base: () => base,
  }
}
