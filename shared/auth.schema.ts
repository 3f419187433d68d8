import { LOCALES } from '../locales/languages'
import { z } from 'zod'
import { LENGTH } from '../core/bounds'
import { bounded } from '../core/fields.schema'
import { isTimeZone } from './day'
import { MEMBER_ROLES, PASSWORD_LENGTH } from './names'
import { isGuessable } from './password'

const name = z.string().trim().min(1).max(LENGTH.name)
/** What somebody comes in by: no two members of a server have the same. */
const signInName = z.string().trim().toLowerCase().min(2).max(LENGTH.name)
/** Long enough, and none that is tried first; all else is the member's own choice. */
const password = z.string().min(PASSWORD_LENGTH).max(200)
const isOwn = ({ password: given, signInName: by }: { password?: string; signInName?: string }) =>
  given === undefined || !isGuessable(given, by)
const GUESSABLE = { path: ['password'], params: { code: 'password-common' } }

/** Makes a household with its first member. */
export const foundSchema = z
  .object({
    household: name,
    altitudeM: bounded('altitudeM'),
    timeZone: z.string().max(LENGTH.id).refine(isTimeZone).optional(),
    language: z.enum(LOCALES).optional(),
    member: name,
    /** Without them the member comes in at this device alone, until a passkey or a password is added. */
    signInName: signInName.optional(),
    password: password.optional(),
  })
  .refine(isOwn, GUESSABLE)
export type Found = z.infer<typeof foundSchema>

export const enterSchema = z.object({ signInName, password: z.string().max(200) })
export const joinSchema = z.object({ name })
export const tokenSchema = z.string().regex(/^[\w-]{20,64}$/)

/** What a member changes of what they are called and come in by; a password that stands is asked for first. */
export const meSchema = z
  .object({
    name: name.optional(),
    signInName: signInName.optional(),
    password: password.optional(),
    oldPassword: z.string().max(200).optional(),
  })
  .refine((me) => (me.name ?? me.signInName ?? me.password) !== undefined, { params: { code: 'nothing-changed' } })
  .refine(isOwn, GUESSABLE)
export type Me = z.infer<typeof meSchema>

export const roleSchema = z.object({ role: z.enum(MEMBER_ROLES) })

/** A link for a guest of a dinner, or, without one, for somebody who is let in. */
export const inviteSchema = z.object({ mealId: z.uuid().nullable().default(null) })

/** What a browser answers for an authenticator; its parts are checked by what verifies it. */
const response = z.looseObject({ id: z.string().max(1024) })
export const passkeySchema = z.object({ response })
/** What a member calls a passkey: “phone”, “key on the ring”. */
const label = z.string().trim().max(LENGTH.name)
export const newPasskeySchema = z.object({ response, label: label.default('') })
export const passkeyNameSchema = z.object({ label })
export const confirmSchema = z.union([z.object({ password: z.string().max(200) }), z.object({ response })])
