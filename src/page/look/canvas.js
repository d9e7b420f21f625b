// SPDX-License-Identifier: MIT
// @ts-check
// Plays the strokes that the engine's pen has recorded (src/page/engine/recording_pen.hpp tells their order).

const decoder = new TextDecoder();
const faces = ['sans-serif', 'bold sans-serif', 'monospace'];
const dashes = [[], [4, 3], [1.2, 6.8]];

/** @param {number} face @param {number} size */
const font = (face, size) => (face === 1 ? `bold ${size}px sans-serif` : `${size}px ${faces[face]}`);

/** How wide letters of size 1 are, in the fonts of this browser; what was asked once is kept. */
export function letterRuler() {
  const context = /** @type {CanvasRenderingContext2D} */ (document.createElement('canvas').getContext('2d'));
  const size = 100;
  /** @type {Map<string, number>[]} */
  const known = [new Map(), new Map(), new Map()];
  return (/** @type {string} */ text, /** @type {number} */ face) => {
    let width = known[face].get(text);
    if (width === undefined) {
      context.font = font(face, size);
      width = context.measureText(text).width / size;
      if (known[face].size > 20000) known[face].clear();
      known[face].set(text, width);
    }
    return width;
  };
}

/** An ink for a dark page: as light as it was dark, of the same hue. @param {number[]} ink */
function turnedDark([red, green, blue]) {
  const most = Math.max(red, green, blue);
  const least = Math.min(red, green, blue);
  const lightness = (most + least) / 2;
  const wanted = 0.1 + 0.86 * (1 - lightness);
  const shift = wanted - lightness;
  const saturation = 0.75; // what glows on paper glares on black
  return [red, green, blue].map((part) => Math.min(1, Math.max(0, wanted + (part + shift - wanted) * saturation)));
}

/** @type {Map<number, string>[]} */
const styles = [new Map(), new Map()];
/** @param {Float64Array} strokes @param {number} at @param {boolean} dark */
function style(strokes, at, dark) {
  const byte = (/** @type {number} */ part) => Math.round(part * 255);
  const key = ((byte(strokes[at]) * 256 + byte(strokes[at + 1])) * 256 + byte(strokes[at + 2])) * 256 + byte(strokes[at + 3]);
  const kept = styles[dark ? 1 : 0];
  let text = kept.get(key);
  if (text === undefined) {
    let ink = [strokes[at], strokes[at + 1], strokes[at + 2]];
    if (dark) ink = turnedDark(ink);
    text = `rgba(${ink.map(byte).join(',')},${strokes[at + 3]})`;
    kept.set(key, text);
  }
  return text;
}

/** @type {Map<string, CanvasPattern>} */
const hatchings = new Map();
/**
 * Slanting lines as a pattern, which keeps in step over the whole picture by itself.
 * @param {CanvasRenderingContext2D} context
 * @param {Float64Array} stroke  ink, width, line, way, step
 * @param {boolean} dark
 */
function hatching(context, stroke, dark) {
  const ink = style(stroke, 0, dark);
  const [width, , way, step] = stroke.subarray(4);
  const density = context.getTransform().a;
  const key = [ink, width, way, step, density].join();
  const known = hatchings.get(key);
  if (known) return known;
  const tile = document.createElement('canvas');
  tile.width = tile.height = Math.max(1, Math.round(step * density));
  const pen = /** @type {CanvasRenderingContext2D} */ (tile.getContext('2d'));
  const size = tile.width / step;
  pen.scale(size, size);
  pen.strokeStyle = ink;
  pen.lineWidth = width;
  for (let sum = -step; sum <= 2 * step; sum += step) {
    if (way !== 1) pen.stroke(new Path2D(`M${sum + step} ${-step}L${sum - 2 * step} ${2 * step}`));
    if (way !== 0) pen.stroke(new Path2D(`M${sum - step} ${-step}L${sum + 2 * step} ${2 * step}`));
  }
  const pattern = /** @type {CanvasPattern} */ (context.createPattern(tile, 'repeat'));
  pattern.setTransform(new DOMMatrix([1 / size, 0, 0, 1 / size, 0, 0]));
  if (hatchings.size > 500) hatchings.clear();
  hatchings.set(key, pattern);
  return pattern;
}

/**
 * @param {CanvasRenderingContext2D} context
 * @param {{strokes: Float64Array, letters: Uint8Array}} picture
 * @param {boolean} dark
 */
export function play(context, { strokes, letters }, dark) {
  let at = 0;
  /** @param {number} from */
  const stroke = (from) => {
    context.strokeStyle = style(strokes, from, dark);
    context.lineWidth = strokes[from + 4];
    context.setLineDash(dashes[strokes[from + 5]]);
  };
  while (at < strokes.length) {
    switch (strokes[at++]) {
      case 0:
        context.fillStyle = style(strokes, at + 4, dark);
        context.fillRect(strokes[at], strokes[at + 1], strokes[at + 2], strokes[at + 3]);
        at += 8;
        break;
      case 1:
        stroke(at + 4);
        context.strokeRect(strokes[at], strokes[at + 1], strokes[at + 2], strokes[at + 3]);
        at += 10;
        break;
      case 2: {
        stroke(at);
        const end = at + 7 + 4 * strokes[at + 6];
        context.beginPath();
        for (at += 7; at < end; at += 4) {
          context.moveTo(strokes[at], strokes[at + 1]);
          context.lineTo(strokes[at + 2], strokes[at + 3]);
        }
        context.stroke();
        break;
      }
      case 3: {
        context.fillStyle = style(strokes, at, dark);
        const end = at + 5 + 2 * strokes[at + 4];
        context.beginPath();
        for (at += 5; at < end; at += 2) context.lineTo(strokes[at], strokes[at + 1]);
        context.fill();
        break;
      }
      case 4:
        write(context, strokes, at, letters, dark);
        at += 12;
        break;
      case 5:
        context.save();
        context.beginPath();
        context.rect(strokes[at], strokes[at + 1], strokes[at + 2], strokes[at + 3]);
        context.clip();
        at += 4;
        break;
      case 6:
        context.restore();
        break;
      case 7:
        context.fillStyle = hatching(context, strokes.subarray(at + 4, at + 12), dark);
        context.fillRect(strokes[at], strokes[at + 1], strokes[at + 2], strokes[at + 3]);
        at += 12;
        break;
      default:
        throw new Error('this is no stroke');
    }
  }
}

/**
 * @param {CanvasRenderingContext2D} context
 * @param {Float64Array} strokes
 * @param {number} at
 * @param {Uint8Array} letters
 * @param {boolean} dark
 */
function write(context, strokes, at, letters, dark) {
  const [size, face, turned, width, from, bytes] = strokes.subarray(at + 6, at + 12);
  const text = decoder.decode(letters.subarray(from, from + bytes));
  context.font = font(face, size);
  context.fillStyle = style(strokes, at + 2, dark);
  const stretched = width > 0 ? width / (context.measureText(text).width || 1) : 1;
  if (turned === 0 && stretched === 1) {
    context.fillText(text, strokes[at], strokes[at + 1]);
    return;
  }
  context.save();
  context.translate(strokes[at], strokes[at + 1]);
  if (turned) context.rotate(-Math.PI / 2);
  context.scale(stretched, 1);
  context.fillText(text, 0, 0);
  context.restore();
}
