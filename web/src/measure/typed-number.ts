/** A plain number as people type it: `0,41`, `41 %` of a share, `0.32 x 1.62` for C_d and area from two tables. */
export function typedNumber(typed: string, greatest: number): number {
  const text = typed.replace(/\s/g, '').replaceAll(',', '.').replaceAll('−', '-').toLowerCase();
  const share = /^(.+)%$/.exec(text)?.[1];
  if (share !== undefined) return typedNumber(share, greatest) / (greatest <= 1 ? 100 : 1);
  const factors = text.split(/[x×*·]/).map((part) => (part === '' ? NaN : Number(part)));
  return factors.reduce((product, factor) => product * factor, 1);
}
