import fc from 'fast-check'

// Properties look at other cases in every run; on CI at the same ones, so that a landing does not depend on luck.
if (process.env.CI) fc.configureGlobal({ seed: 20260307 })
