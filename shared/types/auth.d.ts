declare module '#auth-utils' {
  interface SecureSessionData {
    /** The device that came in: whether it still is in stands in the database. */
    deviceId?: string
    /** What a passkey has to sign, and until when, in ms since 1970. */
    challenge?: { text: string; until: number }
    /** Sessions from before devices were known said whose they are. */
    householdId?: string
    memberId?: string
  }
}

export {}
