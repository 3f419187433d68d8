declare module '#auth-utils' {
  interface SecureSessionData {
    householdId: string
  }
}

export {}
