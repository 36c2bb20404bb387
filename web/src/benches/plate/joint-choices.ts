/** What a joint can be chosen to be, each as it is kept and as it is shown. */
export const CLASSES = [
  ['8.8', '8.8'],
  ['10.9', '10.9'],
  ['12.9', '12.9'],
  ['grade_5', 'grade 5'],
  ['grade_8', 'grade 8'],
] as const;
export const CONDITIONS = [
  ['dry', 'dry'],
  ['oiled', 'oiled'],
  ['threadlocker', 'threadlocker'],
] as const;
export const TAPPED = [
  ['steel', 'steel'],
  ['cast_iron', 'cast iron'],
  ['aluminium_wrought', 'aluminium, wrought'],
  ['aluminium_cast', 'aluminium, cast'],
] as const;
export const SURFACES = [
  ['dry', 'dry steel or iron'],
  ['plated', 'plated or anodised'],
  ['blasted', 'blasted'],
] as const;
export const HOLES = [
  ['through', 'go through'],
  ['blind', 'end'],
] as const;
