// SPDX-License-Identifier: MIT
// @ts-check
// The ladder: the axis under the picture, at its scale, with curves, breakpoints, failing stretches, named sizes and the cursor. The
// curves are drawn by the plotting library; what can be clicked are buttons over it, so that keys and screen readers
// reach them.

import { curveChart, drawCurves, breakpointMark, breakpointText } from './curves.js';
import { find, make, messageOf, refill } from './dom.js';
import { Refused } from './engine.js';
import { widthLink } from './names.js';
import { counted, rounded, stretch } from './numbers.js';
import { follow, frame, stepOf } from './picture.js';

const lane = 9; // pixels a claim's failing stretches take
const mostLanes = 5;
const mostBreakpoints = 150; // buttons on the curves

/**
 * @typedef {import('./curves.js').Breakpoint} Breakpoint
 *
 * @typedef {object} Swept
 * @property {{width: number, values: Record<string, number | null>}[]} sizes
 * @property {Breakpoint[]} breakpoints
 */

export class Ladder {
  #session;
  #hand;
  /** @type {Swept} */
  #swept = { sizes: [], breakpoints: [] };
  /** Quantities that were typed. @type {string[]} */
  #typed = [];
  #height = /** @type {number | null} */ (null);
  /** Made when there is something to draw: it takes as long as everything else at the beginning. @type {any} */
  #chart = null;
  #claims;
  #waiting = false;

  /**
   * @param {import('./session.js').Session} session
   * @param {import('./picture.js').Hand} hand
   * @param {import('./claims.js').Claims} claims
   */
  constructor(session, hand, claims) {
    this.#session = session;
    this.#hand = hand;
    this.#claims = claims;
    session.on('scene frame claims', () => this.layOut());
    session.on('scene selected', () => this.#sweep());
    session.on('size', () => this.#moveCursor());
    session.on('rest', () => {
      this.#writeLegend();
      if (this.#session.size.height !== this.#height) this.#sweep();
    });
    matchMedia('(prefers-color-scheme: dark)').addEventListener('change', () => this.layOut());
    this.#takeCursor();
    find('quantity').addEventListener('focus', () => this.#offer());
    find('ask').addEventListener('submit', (event) => {
      event.preventDefault();
      const input = /** @type {HTMLInputElement} */ (find('quantity'));
      const text = input.value.trim();
      if (!text) return;
      input.value = '';
      this.ask(text);
    });
  }

  /** Draws the curve of one more quantity. @param {string} quantity */
  ask(quantity) {
    if (!this.#typed.includes(quantity)) this.#typed.push(quantity);
    return this.#sweep(quantity);
  }

  // ------------------------------------------------------------ curves

  async #sweep(newest = '') {
    const { selected, ladder, size } = this.#session;
    const node = this.#session.node(selected);
    const show = [...this.#typed];
    if (node) show.push(`${node.tail}.width`, `${node.tail}.height`);
    const options = ['--sizes', widthsOf(ladder.width).join(',')];
    if (show.length > 0) options.push('--show', [...new Set(show)].join(','));
    if (size.height !== null) options.push('--height', String(size.height));
    this.#height = size.height;
    try {
      const swept = await this.#session.answers('curves', 'sweep', options);
      if (!swept) return;
      this.#swept = swept;
      find('ask-fault').textContent = '';
    } catch (error) {
      if (newest) this.#typed.pop();
      find('ask-fault').textContent = messageOf(error);
      if (!(error instanceof Refused)) throw error;
      if (newest) {
        await this.#sweep();
        find('ask-fault').textContent = error.message;
        return;
      }
      this.#swept = { sizes: [], breakpoints: [] };
    }
    this.layOut();
  }

  /** The widths at which a quantity has a value, as it is drawn here. @param {string} quantity */
  curve(quantity) {
    return this.#swept.sizes.map(({ width, values }) => ({ at: width, value: values[quantity] ?? null }));
  }

  /** The quantities that are drawn, a few where the program chose them itself. */
  get #quantities() {
    const all = Object.keys(this.#swept.sizes[0]?.values ?? {});
    return this.#session.selected || this.#typed.length > 0 ? all.slice(0, 8) : all.slice(0, 3);
  }

  // ------------------------------------------------------------ where everything is

  layOut() {
    find('chart').style.width = `${frame.left + frame.most * frame.scale + frame.right}px`;
    this.#markRungs();
    this.#moveCursor();
    if (this.#waiting) return;
    this.#waiting = true;
    setTimeout(() => this.#draw());
  }

  /** Once, however many reasons there are. */
  #draw() {
    this.#waiting = false;
    if (this.#swept.sizes.length === 0 && !this.#chart) return;
    this.#chart ??= curveChart(/** @type {HTMLCanvasElement} */ (find('curves')), frame);
    const lanes = this.#claims.broken.slice(0, mostLanes);
    const quantities = this.#quantities;
    const curves = quantities.map((quantity) =>
      this.#swept.sizes.map(({ width, values }) => ({ x: width, y: values[quantity] ?? NaN })),
    );
    drawCurves(this.#chart, curves, { from: 0, to: frame.most });
    this.#markTurns(quantities);
    this.#markFailing(lanes);
    this.#writeLegend();
    this.#writeTurns(quantities);
    this.#session.tell('curves');
    this.#chart.canvas.setAttribute('aria-label', `Curves of ${quantities.join(', ')} over the widths`);
  }

  /** @param {number} width */
  #x(width) {
    return frame.left + width * frame.scale;
  }

  /** @param {string[]} quantities */
  #markTurns(quantities) {
    const breakpoints = this.#swept.breakpoints
      .filter((breakpoint) => quantities.includes(breakpoint.quantity))
      .slice(0, mostBreakpoints);
    const points = breakpoints.map((breakpoint) =>
      breakpointMark(this.#chart, breakpoint, this.#x(breakpoint.at), () =>
        this.#session.resize(breakpoint.at, this.#session.size.height),
      ),
    );
    refill(find('marks'), ...points);
  }

  /** A bar for each stretch, a lane for each claim. @param {import('./claims.js').Checked[]} lanes */
  #markFailing(lanes) {
    const bars = lanes.flatMap((claim, row) =>
      claim.failing.map((stretchOf) => {
        const text = `${claim.claim} fails at ${stretch(stretchOf.from, stretchOf.to, stretchOf.includes_from, stretchOf.includes_to)}`;
        const button = make('button', {
          type: 'button',
          className: 'stretch',
          title: text,
          'aria-label': text,
          onclick: () => this.#claims.lead(stretchOf),
        });
        const left = this.#x(stretchOf.from);
        button.style.left = `${left}px`;
        button.style.width = `${Math.max(4, this.#x(stretchOf.to) - left)}px`;
        button.style.top = `${row * lane}px`;
        return button;
      }),
    );
    find('failing').style.height = lanes.length > 0 ? `${lanes.length * lane + 3}px` : '0';
    refill(find('failing'), ...bars);
  }

  #markRungs() {
    /** @type {number[]} where the names of each row end */
    const rows = [];
    const buttons = [...this.#session.ladder.named_sizes]
      .sort((a, b) => a.width - b.width)
      .map((named) => {
        const size =
          named.height === null ? rounded(named.width) : `${rounded(named.width)} × ${rounded(named.height)}`;
        const button = make(
          'button',
          {
            type: 'button',
            className: 'named-size',
            title: `${named.name}: ${size}`,
            onclick: () => this.#session.resize(named.width, named.height),
          },
          named.name,
        );
        const x = this.#x(named.width);
        const wide = named.name.length * 7 + 14;
        let row = rows.findIndex((end) => end < x - wide / 2);
        if (row < 0) row = rows.length;
        rows[row] = x + wide / 2;
        button.style.left = `${x}px`;
        button.style.top = `${row * 24}px`;
        return button;
      });
    find('named-sizes').style.height = `${rows.length * 24}px`;
    refill(find('named-sizes'), ...buttons);
  }

  /** Offers quantities to whoever is about to type one. */
  #offer() {
    const most = 400;
    const names = this.#session.scene.nodes.slice(0, most).flatMap(({ tail }) => [`${tail}.width`, `${tail}.height`]);
    find('quantities').replaceChildren(...names.map((value) => make('option', { value })));
  }

  // ------------------------------------------------------------ the cursor

  #moveCursor() {
    const cursor = find('cursor');
    const { width } = this.#session.size;
    cursor.style.left = `${this.#x(width)}px`;
    cursor.dataset.width = rounded(width);
    cursor.ariaValueNow = String(width);
    cursor.ariaValueMin = '0';
    cursor.ariaValueMax = String(frame.most);
  }

  #takeCursor() {
    const [cursor, chart] = [find('cursor'), find('chart')];
    const session = this.#session;
    const at = (/** @type {PointerEvent} */ event) => {
      const x = event.clientX - chart.getBoundingClientRect().left - frame.left;
      return Math.round(Math.min(frame.most, Math.max(0, x / frame.scale)));
    };
    const take = (/** @type {PointerEvent} */ down) => {
      if (down.target instanceof HTMLButtonElement) return null;
      session.move(true);
      const move = (/** @type {PointerEvent} */ event) => this.#hand.resize(at(event), session.size.height);
      move(down);
      return move;
    };
    for (const element of [cursor, chart]) follow(element, take, () => session.move(false));
    cursor.addEventListener('pointerdown', (event) => event.stopPropagation());
    cursor.addEventListener('keydown', (event) => {
      const ends = { Home: session.ladder.width.from, End: session.ladder.width.to };
      const step = stepOf(event);
      if (event.key in ends) {
        this.#hand.resize(ends[/** @type {'Home' | 'End'} */ (event.key)], session.size.height);
      } else if (step) {
        this.#hand.resize(this.#hand.size.width + (step.x || -step.y), session.size.height);
      } else {
        return;
      }
      event.preventDefault();
      event.stopPropagation();
    });
  }

  // ------------------------------------------------------------ words

  #writeLegend() {
    const { width, height } = this.#session.size;
    const here = this.#swept.sizes.find((named) => named.width === width);
    const parts = this.#quantities.map((quantity, i) => {
      const value = here?.values[quantity];
      const swatch = make('span', { className: `swatch curve-${i % 4}`, 'aria-hidden': 'true' });
      const part = make(
        'span',
        { className: 'curve' },
        swatch,
        `${quantity} ${typeof value === 'number' ? rounded(value) : ''}`,
      );
      const typed = this.#typed.indexOf(quantity);
      if (typed >= 0) {
        part.append(
          make(
            'button',
            {
              type: 'button',
              className: 'quiet',
              title: `leave ${quantity} out`,
              'aria-label': `leave ${quantity} out`,
              onclick: () => {
                this.#typed.splice(typed, 1);
                this.#sweep();
              },
            },
            '×',
          ),
        );
      }
      return part;
    });
    const at =
      height !== null
        ? `at height ${rounded(height)}`
        : this.#session.ladder.height
          ? `at the ladder's height ${rounded(this.#session.ladder.height.from)}`
          : '';
    if (at && parts.length > 0) parts.push(make('span', { className: 'quiet' }, at));
    refill(find('legend'), ...parts);
  }

  /** @param {string[]} quantities */
  #writeTurns(quantities) {
    const breakpoints = this.#swept.breakpoints
      .filter((breakpoint) => quantities.includes(breakpoint.quantity))
      .sort((a, b) => a.at - b.at);
    const { sizes } = this.#swept;
    const isSeen = sizes.some(({ values }) => quantities.some((quantity) => values[quantity] !== null));
    const summary =
      breakpoints.length > 0
        ? counted(breakpoints.length, 'breakpoint')
        : sizes.length > 0 && quantities.length === 0
          ? 'No curve: no width has a breakpoint; select a node for its own'
          : isSeen
            ? 'No breakpoints: these run straight over the whole ladder'
            : sizes.length > 0
              ? 'No curve: hidden over the whole ladder'
              : 'No curve';
    const items = breakpoints
      .slice(0, mostBreakpoints)
      .map((breakpoint) => make('li', {}, widthLink(this.#session, breakpoint.at), ` ${breakpointText(breakpoint)}`));
    const open = find('breakpoints').querySelector('details')?.open ?? true;
    refill(find('breakpoints'), make('details', { open }, make('summary', {}, summary), make('ul', {}, ...items)));
  }
}

/** Whole widths over a ladder, and both ends; not more of them than a curve needs. @param {{from: number, to: number}} span */
function widthsOf({ from, to }) {
  const most = 1500;
  const step = Math.max(1, Math.ceil((to - from) / most));
  const widths = [from];
  for (let width = Math.floor(from) + step; width < to; width += step) widths.push(width);
  if (to > from) widths.push(to);
  return widths;
}
