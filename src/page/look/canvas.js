// SPDX-License-Identifier: MIT
// @ts-check
// Plays the strokes that the engine's pen has recorded (src/page/engine/recording_pen.hpp tells their order).

const decoder = new TextDecoder();
const faces = ['sans-serif', 'bold sans-serif', 'monospace'];
const dashes = [[], [4, 3], [1.2, 6.8]];

/**
 * From face 3 on the letters are of a family, and 1 more is bold, 2 more slanted.
 * @param {number} face
 * @param {number} size
 * @param {string} [family]
 */
function font(face, size, family = '') {
  if (face < faces.length) return face === 1 ? `bold ${size}px sans-serif` : `${size}px ${faces[face]}`;
  const style = `${(face - faces.length) & 2 ? 'italic ' : ''}${(face - faces.length) & 1 ? 'bold ' : ''}`;
  return `${style}${size}px "${family.replace(/["\\\n]/g, '')}", sans-serif`;
}

/** How wide letters of size 1 are, in the fonts of this browser. */
export function letterRuler() {
  const context = /** @type {CanvasRenderingContext2D} */ (document.createElement('canvas').getContext('2d'));
  const size = 100;
  return (/** @type {string} */ text, /** @type {number} */ face) => {
    context.font = font(face, size);
    return context.measureText(text).width / size;
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
  const key =
    ((byte(strokes[at]) * 256 + byte(strokes[at + 1])) * 256 + byte(strokes[at + 2])) * 256 + byte(strokes[at + 3]);
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

/** By ink, then by all that else tells them apart. @type {Map<string, Map<number, CanvasPattern>>} */
const hatchings = new Map();
/**
 * Slanting lines as a pattern, which keeps in step over the whole picture by itself.
 * @param {CanvasRenderingContext2D} context
 * @param {Float64Array} strokes
 * @param {number} at  ink, width, line, way, step
 * @param {number} density  pixels of the screen a pixel
 * @param {boolean} dark
 */
function hatching(context, strokes, at, density, dark) {
  const ink = style(strokes, at, dark);
  const [width, way, step] = [strokes[at + 4], strokes[at + 6], strokes[at + 7]];
  const key = ((width * 16 + step) * 4 + way) * 16 + density;
  let ofInk = hatchings.get(ink);
  if (!ofInk) hatchings.set(ink, (ofInk = new Map()));
  const known = ofInk.get(key);
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
  ofInk.set(key, pattern);
  return pattern;
}

/**
 * @param {CanvasRenderingContext2D} context
 * @param {{strokes: Float64Array, letters: Uint8Array}} picture
 * @param {boolean} dark
 * @param {(text: string, box: import('./engine.js').Box) => void} [named]  hears of every name that is written level
 */
export function play(context, { strokes, letters }, dark, named) {
  let at = 0;
  const density = context.getTransform().a;
  // Decoded once where every letter is a byte: each call of a decoder takes as long as drawing a line.
  const whole = decoder.decode(letters);
  const text = (/** @type {number} */ from, /** @type {number} */ bytes) =>
    whole.length === letters.length
      ? whole.slice(from, from + bytes)
      : decoder.decode(letters.subarray(from, from + bytes));
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
      case 4: {
        const written = text(strokes[at + 10], strokes[at + 11]);
        write(context, strokes, at, written, text(strokes[at + 12], strokes[at + 13]), dark);
        const [size, face, turned] = strokes.subarray(at + 6, at + 9);
        if (named && face === 1 && (turned & 1) === 0) {
          const [x, y, width] = [strokes[at], strokes[at + 1] - size, natural(context, written, '1', size)];
          named(written, { x, y, width, height: 1.2 * size });
        }
        at += 14;
        break;
      }
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
        context.fillStyle = hatching(context, strokes, at + 4, density, dark);
        context.fillRect(strokes[at], strokes[at + 1], strokes[at + 2], strokes[at + 3]);
        at += 12;
        break;
      default:
        throw new Error('this is no stroke');
    }
  }
}

/** By face and family, then by text. @type {Map<string, Map<string, number>>} */
const widths = new Map();
/**
 * How wide a text is by itself; what was measured once is kept, in letters of size 1.
 * @param {CanvasRenderingContext2D} context  whose font is that of the text
 * @param {string} text
 * @param {string} face  with its family
 * @param {number} size
 */
function natural(context, text, face, size) {
  let known = widths.get(face);
  if (!known) widths.set(face, (known = new Map()));
  let width = known.get(text);
  if (width === undefined) {
    width = context.measureText(text).width / size;
    if (known.size > 20000) known.clear();
    known.set(text, width);
  }
  return width * size;
}

/**
 * @param {CanvasRenderingContext2D} context
 * @param {Float64Array} strokes
 * @param {number} at
 * @param {string} text
 * @param {string} family
 * @param {boolean} dark
 */
function write(context, strokes, at, text, family, dark) {
  const [size, face, way, width] = strokes.subarray(at + 6, at + 10);
  context.font = font(face, size, family);
  context.direction = way & 2 ? 'rtl' : 'ltr'; // the place of the letters is told from the left all the same
  context.textAlign = 'left';
  const turned = way & 1;
  context.fillStyle = style(strokes, at + 2, dark);
  const stretched = width > 0 ? width / (natural(context, text, `${face}${family}`, size) || 1) : 1;
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
