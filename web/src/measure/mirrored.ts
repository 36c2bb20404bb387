/** A part of a sheet as it is on the other side of the vehicle: what lies to the left, as far to the right. */
type Plain = null | boolean | number | string | readonly Plain[] | { readonly [name: string]: Plain };

const isGroup = (value: Plain): value is Record<string, Plain> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

/** A figure as typed, its sign turned: `539 mm` as `-539 mm`. */
function otherWay(text: string): string {
  const typed = text.trim().replace(/^−/, '-');
  if (/^[+-]?\s*0+([.,]0+)?(?![\d.,])/.test(typed)) return typed.replace(/^[+-]\s*/, '');
  return typed.startsWith('-') ? typed.slice(1).trim() : `-${typed.replace(/^\+\s*/, '')}`;
}

/** What is above nought to the left, or turned towards it. */
const TURNS: readonly string[] = ['y', 'roll', 'yaw'];

/** `to_left` is the other side's `to_right`. */
function otherName(name: string): string {
  if (name.endsWith('_left')) return name.replace(/_left$/, '_right');
  return name.replace(/_right$/, '_left');
}

/**
 * Returns the same turned to the other side: places and turns to the left, and whatever goes by left and right in its
 * name. A named point has no other side: it is left out.
 */
export function mirrored<T>(part: T): T {
  return turned(part as Plain) as T;
}

function turned(value: Plain): Plain {
  if (Array.isArray(value)) return (value as readonly Plain[]).map(turned);
  if (!isGroup(value)) return value;
  const found: Record<string, Plain> = {};
  for (const [name, one] of Object.entries(value)) {
    const isAside = TURNS.includes(name) && isGroup(one) && typeof one.text === 'string';
    found[otherName(name)] = isAside ? { ...one, text: otherWay(one.text as string) } : turned(one);
    if (name === 'point' && typeof one === 'string') found[name] = null;
  }
  return found;
}
