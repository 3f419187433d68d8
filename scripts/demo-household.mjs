/** The household of the demo kitchen and its one member; the same on every machine. */
export const DEMO_HOUSEHOLD = '0de70000-0000-4000-8000-000000000001'
export const DEMO_MEMBER = '0de70000-0000-4000-8000-000000000002'
