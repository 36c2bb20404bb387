/** What a joint can be chosen to be, each as it is kept and as it is shown. */
export const CLASSES = [
  ['8.8', '8.8'],
  ['10.9', '10.9'],
  ['12.9', '12.9'],
  ['grade 5', 'grade 5'],
  ['grade 8', 'grade 8'],
] as const;
export const CONDITIONS = [
  ['dry', 'dry'],
  ['oiled', 'oiled'],
  ['threadlocker', 'threadlocker'],
] as const;
export const TAPPED = [
  ['steel', 'steel'],
  ['cast iron', 'cast iron'],
  ['aluminium, wrought', 'aluminium, wrought'],
  ['aluminium, cast', 'aluminium, cast'],
] as const;
export const SURFACES = [
  ['dry steel or iron', 'dry steel or iron'],
  ['plated or anodised', 'plated or anodised'],
  ['blasted', 'blasted'],
] as const;
export const HOLES = [
  ['through', 'go through'],
  ['blind', 'end'],
] as const;
