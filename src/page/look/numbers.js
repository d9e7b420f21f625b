// SPDX-License-Identifier: MIT
// @ts-check
// Numbers and sizes, written as the program's tables write them.

/** With two decimals at most. @param {number} value */
export function rounded(value) {
  const text = value.toFixed(2).replace(/\.?0+$/, '');
  return text === '-0' ? '0' : text;
}

/** @param {{width: number, height: number}} size */
export const sized = (size) => `${rounded(size.width)} × ${rounded(size.height)}`;

/**
 * How the program wants a size written.
 * @param {number} width
 * @param {number | null} height by content when null
 */
export const asked = (width, height) => `${width}x${height ?? 'content'}`;

/**
 * One size or from to.
 * @param {number} from
 * @param {number} to
 * @param {boolean} [withFrom] whether it is so at that end itself
 * @param {boolean} [withTo]
 */
export const stretch = (from, to, withFrom = true, withTo = true) =>
  from === to ? rounded(from) : `${withFrom ? '' : 'above '}${rounded(from)}..${withTo ? '' : 'below '}${rounded(to)}`;

/** @param {number} count @param {string} what @param {string} [many] */
export const counted = (count, what, many = `${what}s`) => `${count} ${count === 1 ? what : many}`;

/**
 * The first few of a list, and how many more there are.
 * @param {string[]} items
 */
export function few(items, most = 4) {
  const rest = items.length - most;
  return items.slice(0, most).join(', ') + (rest > 0 ? ` and ${rest} more` : '');
}
