import { COMMON_MEASURES, CUP_ML, WEIGHTS_G } from '../measure/measure'

/** A unit that stands behind a number. */
export type Unit =
  | { kind: 'weight'; g: number }
  | { kind: 'volume'; ml: number; isCup?: true }
  /** One of the household's own, by its id. */
  | { kind: 'measure'; id: string; ml: number }
  /** A part of a plant, or a piece of it. */
  | { kind: 'part'; part: Part }
  /** What it is sold in. */
  | { kind: 'container'; container: 'can' | 'jar' | 'pack' }
  /** A vessel of which nobody has said how much it holds. */
  | { kind: 'vessel'; name: string }
  | { kind: 'length'; cm: number }
  /** Too little to weigh. */
  | { kind: 'trace' }

export const PARTS = [
  'bunch',
  'handful',
  'sprig',
  'stalk',
  'stick',
  'clove',
  'head',
  'floret',
  'leaf',
  'slice',
  'knob',
  'ear',
  'piece',
] as const
export type Part = (typeof PARTS)[number]

const OZ_G = WEIGHTS_G.oz
const weight = (g: number, names: string) => ({ unit: { kind: 'weight' as const, g }, names })
const volume = (ml: number, names: string, isCup?: true) => ({
  unit: { kind: 'volume' as const, ml, ...(isCup ? { isCup } : {}) },
  names,
})
const part = (of: Part, names: string) => ({ unit: { kind: 'part' as const, part: of }, names })

/**
 * Units as cooks write them, in English and by the names that other languages have for the same. US pints, quarts and
 * fluid ounces; a spoon is 15 or 5 ml.
 */
const UNITS: readonly { unit: Unit; names: string }[] = [
  weight(0.001, 'mg|milligram|milligrams'),
  weight(1, 'g|gr|grs|gm|gms|gram|grams|gramme|grammes|gramm|gramos|gramo|gramas|grama|grammi|grammo|ग्राम|ग्रा'),
  weight(
    WEIGHTS_G.kg,
    'kg|kgs|kilo|kilos|kilogram|kilograms|kilogramme|kilogrammes|kilogramm|kilogramos|किलो|किलोग्राम',
  ),
  weight(OZ_G, 'oz|ozs|ounce|ounces|onzas|onza'),
  weight(16 * OZ_G, 'lb|lbs|pound|pounds|libras|libra'),
  weight(500, 'pfund'),
  volume(1, 'ml|mls|milliliter|milliliters|millilitre|millilitres|mililitro|mililitros|cc|मिली'),
  volume(10, 'cl|centiliter|centiliters|centilitre|centilitres'),
  volume(100, 'dl|deciliter|deciliters|decilitre|decilitres'),
  volume(1000, 'l|ltr|ltrs|lt|lit|liter|liters|litre|litres|litro|litros|litri|लीटर'),
  volume(29.6, 'fl oz|fl. oz|floz|fluid ounce|fluid ounces'),
  volume(473, 'pint|pints|pt|pts'),
  volume(946, 'quart|quarts|qt|qts'),
  volume(3785, 'gallon|gallons|gal'),
  volume(
    CUP_ML,
    'c|cup|cups|tasse|tassen|tasses|taza|tazas|xícara|xícaras|xicara|xicaras|tazza|tazze|su bardağı|कप',
    true,
  ),
  volume(
    COMMON_MEASURES.tbsp.volumeMl,
    'tbsp|tbsps|tbs|tbl|tblsp|tblspn|tbspn|tbsps|tablespoon|tablespoons|tablespoonful|tablespoonfuls|el|esslöffel|cuillère à soupe|cuillères à soupe|cuillere a soupe|cuilleres a soupe|cs|càs|cucharada|cucharadas|cda|cdas|colher de sopa|colheres de sopa|cucchiaio|cucchiai|yemek kaşığı|बड़ा चम्मच|बड़े चम्मच|टेबलस्पून',
  ),
  volume(
    COMMON_MEASURES.tsp.volumeMl,
    'tsp|tsps|teaspoon|teaspoons|teaspoonful|teaspoonfuls|tl|teelöffel|cuillère à café|cuillères à café|cuillere a cafe|cuilleres a cafe|cc à café|càc|cucharadita|cucharaditas|cdta|cdtas|colher de chá|colheres de chá|cucchiaino|cucchiaini|çay kaşığı|छोटा चम्मच|छोटे चम्मच|चम्मच|टीस्पून',
  ),
  volume(
    COMMON_MEASURES['rice-cup'].volumeMl,
    'rice cup|rice cups|rice-cup|rice-cups|rice cooker cup|rice cooker cups|rice-cooker cup|rice-cooker cups|rice measure|rice measures',
  ),
  part('bunch', 'bunch|bunches|bundle|bundles|bund|bouquet|manojo|manojos|mazzo|mazzetto|atado|गड्डी|गुच्छा'),
  part('handful', 'handful|handfuls|fistful|fistfuls|puñado|puñados|poignée|handvoll|hand voll|मुट्ठी'),
  part('sprig', 'sprig|sprigs|spring of|branch|branches|brin|brins|zweig|zweige|ramita|ramitas|टहनी'),
  part('stalk', 'stalk|stalks|rib|ribs|stem|stems|stange|stangen|stängel|tallo|tallos|डंठल'),
  part('stick', 'stick|sticks|rama|ramas'),
  part('clove', 'clove|cloves|pod|pods|zehe|zehen|gousse|gousses|zehen|diente|dientes|spicchio|spicchi|कली|कलियाँ'),
  part('head', 'head|heads|bulb|bulbs|whole bulb|knolle|knollen|cabeza|cabezas|गाँठ'),
  part('floret', 'floret|florets|röschen|ramilletes'),
  part('leaf', 'leaf|leaves|blatt|blätter|hoja|hojas|पत्ता|पत्ते'),
  part('slice', 'slice|slices|round|rounds|rasher|rashers|strip|strips|scheibe|scheiben|rodaja|rodajas|loncha|lonchas'),
  part('knob', 'knob|knobs|thumb|thumbs|nub|thumb-sized piece|thumb-size piece|small piece|small knob'),
  part('ear', 'ear|ears|cob|cobs'),
  part(
    'piece',
    'piece|pieces|pc|pcs|nos|no|no.|fillet|fillets|stück|stücke|pièce|pièces|pieza|piezas|unidad|unidades|trozo|trozos|टुकड़ा|टुकड़े|नग',
  ),
  { unit: { kind: 'container', container: 'can' }, names: 'can|cans|tin|tins|dose|dosen|boîte|boîtes|lata|latas' },
  { unit: { kind: 'container', container: 'jar' }, names: 'jar|jars|glas|gläser|tarro|tarros|frasco|frascos' },
  {
    unit: { kind: 'container', container: 'pack' },
    names:
      'pack|packs|packet|packets|package|packages|pkg|pkgs|bag|bags|box|boxes|block|blocks|carton|cartons|pouch|pouches|tub|tubs|bottle|bottles|container|containers|punnet|punnets|tube|tubes|sachet|sachets|sobre|sobres|packung|packungen|päckchen|paquete|paquetes|पैकेट',
  },
  {
    unit: { kind: 'length', cm: 2.54 },
    names:
      'inch|inches|in|in.|"|”|inch piece|inch pieces|inch stick|inch knob|" piece|” piece|inch-piece|inch long piece|zoll|pulgada|pulgadas|इंच',
  },
  { unit: { kind: 'length', cm: 1 }, names: 'cm|cms|centimeter|centimeters|centimetre|centimetres|cm piece|cm knob' },
  {
    unit: { kind: 'trace' },
    names:
      'pinch|pinches|dash|dashes|drop|drops|splash|splashes|drizzle|drizzles|glug|glugs|sprinkle|sprinkling|grind|grinds|twist|twists|prise|prisen|pincée|pizca|pizcas|pitada|pizzico|smidgen|squeeze|schuss|spritzer|messerspitze|msp|chorro|chorrito|चुटकी',
  },
]

/** Vessels that every kitchen has in another size. */
const VESSELS =
  'katori|katoris|कटोरी|गिलास|becher|vaso|vasos|vati|vatis|glass|glasses|tumbler|tumblers|mug|mugs|bowl|bowls|ladle|ladles|ladleful|scoop|scoops|spoon|spoons|spoonful|spoonfuls|dessert spoon|dessertspoon|dessertspoons|serving spoon|soup spoon|kadhi|plate|plates|jam jar|teacup|teacups|coffee cup|chai glass|demitasse|pav|seer|tola'

const ALL = [
  ...UNITS.flatMap(({ unit, names }) => names.split('|').map((name) => ({ name, unit }))),
  ...VESSELS.split('|').map((name) => ({ name, unit: { kind: 'vessel' as const, name } })),
].sort((a, b) => b.name.length - a.name.length)

/** One letter alone stands for a spoon only in capitals: T and t. */
const SPOON_LETTERS: Readonly<Record<string, Unit>> = {
  T: { kind: 'volume', ml: COMMON_MEASURES.tbsp.volumeMl },
  t: { kind: 'volume', ml: COMMON_MEASURES.tsp.volumeMl },
}

export interface OwnMeasure {
  id: string
  name: string
  volumeMl: number
}

/** The unit with which a text begins, and how many characters it takes; those of the household before all others. */
export function unitAt(text: string, own: readonly OwnMeasure[] = []): { unit: Unit; length: number } | null {
  const lower = text.toLowerCase()
  for (const { id, name, volumeMl } of own) {
    // A plain cup is the cup; “our bowl” goes by “bowl” too.
    const said = name.trim().toLowerCase()
    if (/^cups?$/.test(said)) continue
    const names = [said, said.split(/\s+/).at(-1)!].flatMap((one) => [`${one}s`, `${one}es`, one])
    for (const one of names)
      if (endsWord(lower, one)) return { unit: { kind: 'measure', id, ml: volumeMl }, length: one.length }
  }
  const letter = /^([Tt])\.?(?=\s)/.exec(text)
  if (letter) return { unit: SPOON_LETTERS[letter[1]!]!, length: letter[0].length }
  for (const { name, unit } of ALL)
    if (endsWord(lower, name)) {
      const dot = !name.endsWith('.') && lower[name.length] === '.' ? 1 : 0
      return { unit, length: name.length + dot }
    }
  return null
}

/** True where a text begins with a name, and the word ends there. */
const endsWord = (text: string, name: string) =>
  text.startsWith(name) && !/[\p{L}\p{M}\d]/u.test(text.slice(name.length, name.length + 1))
