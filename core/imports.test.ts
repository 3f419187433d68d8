import { ESLint } from 'eslint'
import { describe, expect, it } from 'vitest'

// The rule that keeps core pure must bite; this shows that it does.
const eslint = new ESLint()
async function complaints(file: string, code: string) {
  const [result] = await eslint.lintText(code, { filePath: file })
  return result!.messages.filter(({ ruleId }) => ruleId?.includes('no-restricted')).map(({ message }) => message)
}

describe('imports inside core', () => {
  it.each([
    ['a package', 'core/pot/x.ts', "import { ref } from 'vue'\nexport const x = ref(1)\n"],
    ['Node', 'core/steam/x.ts', "import { readFileSync } from 'node:fs'\nexport const x = readFileSync\n"],
    ['the application', 'core/program/x.ts', "import { x as y } from '../../app/theme/tokens'\nexport const x = y\n"],
    ['shared', 'core/water/x.ts', "import { x as y } from '../../shared/run'\nexport const x = y\n"],
    ['an alias', 'core/live/x.ts', "import { x as y } from '~~/shared/run'\nexport const x = y\n"],
    ['a room above', 'core/pot/x.ts', "import { plan } from '../program/plan'\nexport const x = plan\n"],
    [
      'what a schema parses with',
      'core/pot/x.ts',
      "import { applianceSchema } from '../appliance/appliance.schema'\nexport const x = applianceSchema\n",
    ],
    ['a list of kinds', 'core/safety/x.ts', "export const x = (kind: string) => ['rice', 'slow'].includes(kind)\n"],
    ['the clock', 'core/live/x.ts', 'export const x = () => Date.now()\n'],
    ['chance', 'core/learn/x.ts', 'export const x = () => Math.random()\n'],
  ])('may not reach %s', async (_, file, code) => {
    expect(await complaints(file, code)).not.toEqual([])
  })

  it('may reach a package that only computes', async () => {
    expect(await complaints('core/learn/x.ts', "import FFT from 'fft.js'\nexport const x = FFT\n")).toEqual([])
  })

  it('may reach the rooms below', async () => {
    expect(
      await complaints('core/pot/x.ts', "import { boilingC } from '../steam/steam'\nexport const x = boilingC\n"),
    ).toEqual([])
  })
})
