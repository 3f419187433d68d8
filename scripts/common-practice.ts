/**
 * What cooks commonly do, from general kitchen knowledge: whistles on a medium to high flame in a 3 to
 * 5 L cooker, and minutes at high pressure in an electric one with natural release. For comparison
 * only; nothing in the model is fitted to it.
 */
export interface CommonPractice {
  food: string
  whistlesSoaked?: string
  whistlesDry?: string
  minutesSoaked?: string
  minutesDry?: string
}

const row = (food: string, whistlesSoaked: string, whistlesDry: string, minutesSoaked: string, minutesDry: string) => ({
  food,
  whistlesSoaked,
  whistlesDry,
  minutesSoaked,
  minutesDry,
})

export const COMMON_PRACTICE: readonly CommonPractice[] = [
  row('basmati-white', '2', '2–3', '3–4', '4–6'),
  row('long-white', '2', '2–3', '3', '4–5'),
  row('brown-long', '4–5', '6–8', '15–18', '20–22'),
  row('red-rice', '4–5', '6–8', '15', '20–25'),
  row('black-rice', '5–6', '8', '16', '20–25'),
  row('foxtail-millet', '2', '3', '6', '8–9'),
  row('pearl-millet', '4–5', '6–8', '15', '20'),
  row('sorghum', '6–8', '10–12', '25', '35–40'),
  row('quinoa', '1', '1–2', '1', '1'),
  row('pearl-barley', '4–5', '6–8', '15', '20–25'),
  row('wheat-berries', '5–6', '8–10', '20', '30–35'),
  row('hominy-dried', '8–10', '12–15', '25', '40–45'),
  row('toor-split', '3', '3–4', '6–8', '8–10'),
  row('moong-split', '2', '2–3', '4–5', '5–6'),
  row('masoor-split', '2', '2–3', '3–4', '5–6'),
  row('chana-split', '4', '5–6', '10', '12–15'),
  row('urad-split', '4', '5', '10', '12–15'),
  row('split-peas', '3', '4–5', '8', '10–15'),
  row('brown-lentils', '3', '4', '6', '9–10'),
  row('moong-whole', '3', '4–5', '6–8', '10–12'),
  row('black-eyed', '3', '5–6', '5–6', '14–18'),
  row('chickpea-white', '5–6', '12–15', '13–15', '35–40'),
  row('chickpea-brown', '6–7', '12–15', '15–18', '40'),
  row('kidney-red', '5–6', '10–12', '10–12', '30–35'),
  row('navy-bean', '4', '8', '7–10', '20–25'),
  row('black-bean', '4–5', '8', '8–10', '22–25'),
  row('pinto', '4–5', '8', '8–10', '22–25'),
  row('soybean', '6–8', '12–15', '10–12', '35–40'),
]
