// SPDX-License-Identifier: MIT
// @ts-check
// All sizes at once: the plane of widths and heights on the ladder's axis, heights going up, with the regions where
// claims break, the boundaries at which the layout changes, and the named sizes. The hand moves in it as on the edges. It is
// asked for when it is opened: it may take a while.

import { find, link, make, messageOf, refill } from './dom.js';
import { linked } from './names.js';
import { counted, rounded, sized } from './numbers.js';
import { follow, frame, stepOf } from './picture.js';

/**
 * @typedef {{width: number, height: number}} Size
 *
 * @typedef {object} Region  where a claim fails
 * @property {number} from
 * @property {number} to
 * @property {{from: number, to: number}} heights
 * @property {{corners: Size[]}[]} polygons
 * @property {Size} worst
 * @property {string} why
 *
 * @typedef {object} Mapped
 * @property {{width: {from: number, to: number}, height: {from: number, to: number}}} at
 * @property {{claim: string, holds: boolean, proved: boolean, tests: number, failing: Region[]}[]} claims
 * @property {{from: Size, to: Size}[]} boundaries
 * @property {{name: string, size: Size}[]} named_sizes
 */

const foot = 20; // under the plane, for widths
const ways = [Math.PI / 4, -Math.PI / 4, 0, Math.PI / 2]; // of the hatching
const mostTold = 6; // regions of a claim

export class SizeMap {
  #session;
  #hand;
  /** @type {Mapped | null} */
  #mapped = null;
  #plane = /** @type {HTMLCanvasElement} */ (find('plane'));
  #spot = find('spot');
  #details = /** @type {HTMLDetailsElement} */ (find('map'));
  #from = /** @type {HTMLInputElement} */ (find('map-from'));
  #to = /** @type {HTMLInputElement} */ (find('map-to'));

  /**
   * @param {import('./session.js').Session} session
   * @param {import('./picture.js').Hand} hand
   */
  constructor(session, hand) {
    this.#session = session;
    this.#hand = hand;
    session.on('scene claims', () => this.#look());
    session.on('frame', () => this.#draw());
    session.on('size', () => this.#moveSpot());
    matchMedia('(prefers-color-scheme: dark)').addEventListener('change', () => this.#draw());
    this.#details.addEventListener('toggle', () => this.#look());
    find('map-heights').addEventListener('submit', (event) => {
      event.preventDefault();
      this.#look();
    });
    this.#takeHand();
  }

  // ------------------------------------------------------------ what is asked

  /** The heights that are looked at: those typed, else round those that the scene speaks of. */
  #heights() {
    const { ladder, container } = this.#session;
    if (!this.#from.value || !this.#to.value) {
      const spoken = [ladder.height?.from, ladder.height?.to, ...ladder.named_sizes.map(({ height }) => height)];
      const known = /** @type {number[]} */ (spoken.filter((height) => typeof height === 'number'));
      if (known.length === 0) known.push(container.height);
      const [low, high] = [Math.min(...known), Math.max(...known)];
      const isSpan = ladder.height !== null && ladder.height.from < ladder.height.to;
      this.#from.value = rounded(isSpan ? low : Math.floor(low / 20) * 10);
      this.#to.value = rounded(isSpan ? high : Math.max(Math.ceil((high * 1.25) / 10) * 10, 20));
    }
    return `${this.#from.value.trim()}..${this.#to.value.trim()}`;
  }

  async #look() {
    if (!this.#details.open) return;
    const { claims, scene } = this.#session;
    const options = ['--height', this.#heights()];
    if (claims.length > 0) options.push(...[...scene.claims, ...claims].flatMap((claim) => ['--claim', claim]));
    if (!this.#mapped) find('map-words').textContent = 'Looking at every size …';
    try {
      const mapped = await this.#session.answers('map', 'map', options);
      if (!mapped) return;
      this.#mapped = mapped;
      find('map-fault').textContent = '';
    } catch (error) {
      this.#mapped = null;
      find('map-fault').textContent = messageOf(error);
      find('map-words').textContent = '';
    }
    this.#draw();
    this.#write();
  }

  /** Those that fail somewhere, in the order of the scene. */
  get #broken() {
    return (this.#mapped?.claims ?? []).filter(({ failing }) => failing.length > 0);
  }

  // ------------------------------------------------------------ the plane

  get #high() {
    const { from, to } = this.#mapped?.at.height ?? { from: 0, to: 1 };
    return Math.max(120, Math.min(340, (to - from) * frame.scale));
  }
  /** Where a size is, in pixels of the plane. @param {Size} size */
  #place({ width, height }) {
    const { from, to } = this.#mapped?.at.height ?? { from: 0, to: 1 };
    return { x: frame.left + width * frame.scale, y: ((to - height) / (to - from)) * this.#high };
  }

  #draw() {
    find('sizes').hidden = !this.#mapped;
    if (!this.#mapped || !this.#details.open) return;
    const wide = frame.left + frame.most * frame.scale + frame.right;
    const high = this.#high;
    const sharp = window.devicePixelRatio || 1;
    Object.assign(this.#plane, { width: Math.round(wide * sharp), height: Math.round((high + foot) * sharp) });
    Object.assign(this.#plane.style, { width: `${wide}px`, height: `${high + foot}px` });
    const pen = /** @type {CanvasRenderingContext2D} */ (this.#plane.getContext('2d'));
    pen.scale(sharp, sharp);
    const style = getComputedStyle(document.documentElement);
    const ink = (/** @type {string} */ name) => style.getPropertyValue(name).trim();
    const { width, height } = this.#mapped.at;
    const corner = this.#place({ width: width.from, height: height.to });
    const far = this.#place({ width: width.to, height: height.from });
    pen.fillStyle = ink('--ground');
    pen.fillRect(corner.x, corner.y, far.x - corner.x, far.y - corner.y);
    this.#broken.forEach(({ failing }, i) => this.#hatch(pen, failing, i, ink(`--curve-${i % 4}`)));
    this.#lines(pen, ink('--quiet'));
    this.#numbers(pen, ink('--quiet'));
    this.#number(pen, ink);
    const names = this.#broken.map(({ claim }) => claim).join('; ');
    this.#plane.setAttribute('aria-label', `Sizes at which claims break: ${names || 'none'}`);
    this.#markRungs();
    this.#moveSpot();
  }

  /** @param {CanvasRenderingContext2D} pen @param {Region[]} failing @param {number} i @param {string} ink */
  #hatch(pen, failing, i, ink) {
    pen.save();
    const path = new Path2D();
    for (const { corners } of failing.flatMap(({ polygons }) => polygons)) {
      corners.forEach((corner, k) => {
        const { x, y } = this.#place(corner);
        if (k === 0) path.moveTo(x, y);
        else path.lineTo(x, y);
      });
      path.closePath();
    }
    pen.clip(path);
    pen.strokeStyle = ink;
    pen.lineWidth = 1.2;
    const way = ways[(i + Math.floor(i / ways.length)) % ways.length]; // another color where a way comes again
    const [across, down] = [Math.cos(way), Math.sin(way)];
    const reach = frame.most * frame.scale + this.#high;
    pen.beginPath();
    for (let at = -reach; at < reach; at += 7) {
      pen.moveTo(frame.left - down * at - across * reach, across * at - down * reach);
      pen.lineTo(frame.left - down * at + across * reach, across * at + down * reach);
    }
    pen.stroke();
    pen.restore();
  }

  /** Claims' numbers, each in its largest piece where that is free, else beside those that are there. @param {CanvasRenderingContext2D} pen @param {(name: string) => string} ink */
  #number(pen, ink) {
    /** @type {{x: number, y: number}[]} */
    const taken = [];
    pen.font = 'bold 11px sans-serif';
    pen.textAlign = 'center';
    pen.textBaseline = 'middle';
    this.#broken.forEach(({ failing }, i) => {
      const pieces = failing.flatMap(({ polygons }) => polygons).map(({ corners }) => this.#middle(corners));
      const isFree = (/** @type {{x: number, y: number}} */ one) =>
        taken.every(({ x, y }) => Math.hypot(x - one.x, y - one.y) > 19);
      pieces.sort((one, other) => other.area - one.area);
      const place = { ...(pieces.find((one) => one.area > 400 && isFree(one)) ?? pieces[0]) };
      while (!isFree(place)) place.x += 20;
      taken.push(place);
      pen.fillStyle = ink('--paper');
      pen.beginPath();
      pen.arc(place.x, place.y, 9, 0, 2 * Math.PI);
      pen.fill();
      pen.strokeStyle = pen.fillStyle = ink(`--curve-${i % 4}`);
      pen.stroke();
      pen.fillText(String(i + 1), place.x, place.y + 0.5);
    });
  }

  /** The middle of a piece, and how large what it lies in is. @param {Size[]} corners */
  #middle(corners) {
    const places = corners.map((corner) => this.#place(corner));
    const [xs, ys] = [places.map((one) => one.x), places.map((one) => one.y)];
    const mean = (/** @type {number[]} */ all) => all.reduce((sum, one) => sum + one, 0) / all.length;
    const area = (Math.max(...xs) - Math.min(...xs)) * (Math.max(...ys) - Math.min(...ys));
    return { x: mean(xs), y: mean(ys), area };
  }

  /** @param {CanvasRenderingContext2D} pen @param {string} ink */
  #lines(pen, ink) {
    pen.strokeStyle = ink;
    pen.lineWidth = 0.6;
    pen.beginPath();
    for (const { from, to } of this.#mapped?.boundaries ?? []) {
      const [a, b] = [this.#place(from), this.#place(to)];
      pen.moveTo(a.x, a.y);
      pen.lineTo(b.x, b.y);
    }
    pen.stroke();
  }

  /** Heights at the right, widths below. @param {CanvasRenderingContext2D} pen @param {string} ink */
  #numbers(pen, ink) {
    const { width, height } = /** @type {Mapped} */ (this.#mapped).at;
    pen.fillStyle = ink;
    pen.font = '12px sans-serif';
    pen.textBaseline = 'middle';
    pen.textAlign = 'left';
    for (const at of [height.from, (height.from + height.to) / 2, height.to]) {
      const { x, y } = this.#place({ width: width.to, height: at });
      pen.fillText(rounded(at), x + 5, Math.min(this.#high - 6, Math.max(7, y)));
    }
    pen.textAlign = 'center';
    for (const at of [width.from, (width.from + width.to) / 2, width.to]) {
      pen.fillText(rounded(at), this.#place({ width: at, height: height.from }).x, this.#high + 11);
    }
  }

  #markRungs() {
    const named = /** @type {Mapped} */ (this.#mapped).named_sizes.map(({ name, size }) => {
      const button = make('button', {
        type: 'button',
        className: 'breakpoint',
        title: `${name}: ${sized(size)}`,
        'aria-label': `${name}: ${sized(size)}`,
        onclick: () => this.#session.resize(size.width, size.height),
      });
      const { x, y } = this.#place(size);
      Object.assign(button.style, { left: `${x}px`, top: `${y}px` });
      return button;
    });
    refill(find('points'), ...named);
  }

  // ------------------------------------------------------------ the hand

  #moveSpot() {
    if (!this.#mapped) return;
    const { container } = this.#session;
    const { from, to } = this.#mapped.at.height;
    const { x, y } = this.#place({ ...container, height: Math.min(to, Math.max(from, container.height)) });
    Object.assign(this.#spot.style, { left: `${x}px`, top: `${y}px` });
    this.#spot.ariaValueNow = String(container.width);
    this.#spot.ariaValueMin = '0';
    this.#spot.ariaValueMax = String(frame.most);
    this.#spot.ariaValueText = sized(container);
  }

  #takeHand() {
    const session = this.#session;
    const sheet = find('sizes');
    const at = (/** @type {PointerEvent} */ event) => {
      const { left, top } = sheet.getBoundingClientRect();
      const { from, to } = /** @type {Mapped} */ (this.#mapped).at.height;
      const width = Math.min(frame.most, Math.max(0, (event.clientX - left - frame.left) / frame.scale));
      const share = Math.min(1, Math.max(0, (event.clientY - top) / this.#high));
      return { width: Math.round(width), height: Math.round(to - share * (to - from)) };
    };
    const take = (/** @type {PointerEvent} */ down) => {
      if (!this.#mapped || down.target instanceof HTMLButtonElement) return null;
      session.move(true);
      const move = (/** @type {PointerEvent} */ event) => {
        const { width, height } = at(event);
        this.#hand.resize(width, height);
      };
      move(down);
      return move;
    };
    follow(sheet, take, () => session.move(false));
    this.#spot.addEventListener('keydown', (event) => {
      const step = stepOf(event);
      if (!step) return;
      const { width, height } = this.#hand.size;
      this.#hand.resize(width + step.x, (height ?? session.height) - step.y);
      event.preventDefault();
      event.stopPropagation();
    });
  }

  // ------------------------------------------------------------ words

  #write() {
    if (!this.#mapped) return;
    const [all, broken] = [this.#mapped.claims.length, this.#broken.length];
    const never = this.#mapped.claims.filter(({ holds, failing }) => !holds && failing.length === 0).length;
    const { width, height } = this.#mapped.at;
    const isProved = this.#mapped.claims.every(({ proved }) => proved);
    const where = isProved ? 'at every size' : 'wherever it was looked, as something bends';
    const verdict =
      all === 0
        ? 'there are no claims; the lines are where something changes its course'
        : broken === 0
          ? all === 1 && never === 0
            ? `the claim holds ${where}`
            : `${never > 0 ? all - never : `all ${all}`} claims hold ${where}`
          : `${broken} of ${counted(all, 'claim')} ${broken === 1 ? 'fails' : 'fail'} somewhere`;
    find('map-words').textContent =
      `${rounded(width.from)} to ${rounded(width.to)} wide, ${rounded(height.from)} to ${rounded(height.to)} high: ` +
      `${verdict}${never > 0 ? `, ${never} untested` : ''}.`;
    const items = this.#broken.map(({ claim, failing }, i) => {
      const regions = failing
        .slice(0, mostTold)
        .flatMap((region, k) => [
          k > 0 ? '; ' : '',
          link(
            `${rounded(region.from)} to ${rounded(region.to)} wide, ${rounded(region.heights.from)} to ${rounded(region.heights.to)} high`,
            `go to the worst, ${sized(region.worst)}`,
            () => this.#session.resize(region.worst.width, region.worst.height),
          ),
        ]);
      if (failing.length > mostTold) regions.push(` and ${failing.length - mostTold} more`);
      const number = make('span', { className: `number curve-${i % 4}` }, String(i + 1));
      return make('li', {}, number, ' ', make('code', {}, ...linked(this.#session, claim)), ' within ', ...regions);
    });
    refill(find('map-claims'), ...items);
  }
}
