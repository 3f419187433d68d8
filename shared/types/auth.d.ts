declare module '#auth-utils' {
  interface SecureSessionData {
    householdId: string
    /** Missing in sessions from before there were members: then it is the first. */
    memberId?: string
  }
}

export {}
