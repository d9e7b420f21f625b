// SPDX-License-Identifier: MIT
// @ts-check
// The setting in hand along its node range: what the program's `sweep --vary` tells, with its breakpoints, and a slider by
// which the hand moves in it. What the slider pulls is what the handle pulls.

import { curveChart, drawCurves, breakpointMark, breakpointText } from './curves.js';
import { find, inside, link, make, messageOf, namePanel, refill } from './dom.js';
import { counted, rounded } from './numbers.js';

/**
 * @typedef {object} InHand  a setting that a hand has taken
 * @property {string} setting  as `--vary` takes it
 * @property {string} why  it has no curve, or nothing
 * @property {string} called
 * @property {number} value
 * @property {number} least
 * @property {number} most
 * @property {number} grain
 * @property {(value: number) => void} pull
 *
 * @typedef {object} ClimbedSetting
 * @property {{value: number, values: Record<string, number | null>}[]} sizes
 * @property {import('./curves.js').Breakpoint[]} breakpoints
 */

const mostCurves = 3;
const points = 160;
const mostBreakpoints = 40;

export class Along {
  #session;
  /** @type {InHand | null} */
  #hand = null;
  #range = { from: 0, to: 0 };
  /** @type {ClimbedSetting | null} */
  #swept = null;
  #fault = '';
  #asked = '';
  /** @type {any} */
  #chart = null;
  #slider = make('input', { type: 'range', 'data-key': 'along', className: 'along' });

  /** @param {import('./session.js').Session} session */
  constructor(session) {
    this.#session = session;
    session.on('inhand', () => this.#take());
    session.on('scene selected rest', () => this.#ask());
    session.on('selected', () => {
      session.inHand = null;
      this.#take();
    });
    this.#slider.addEventListener('input', () => this.#hand?.pull(Number(this.#slider.value)));
    this.#slider.addEventListener('change', () => session.letGo());
    find('along').addEventListener('toggle', () => this.#ask());
    this.#write();
  }

  get #isOpen() {
    return /** @type {HTMLDetailsElement} */ (find('along')).open;
  }

  #take() {
    const now = this.#session.inHand;
    const same = now?.setting === this.#hand?.setting;
    this.#hand = now;
    if (now && same) {
      this.#slider.value = String(now.value);
      this.#tellValue();
      return;
    }
    if (now) this.#range = rangeOf(now);
    [this.#swept, this.#asked] = [null, ''];
    this.#write();
    this.#ask();
  }

  async #ask() {
    const hand = this.#hand;
    if (!hand || hand.why || !this.#isOpen || this.#session.pulls) return;
    const { from, to } = this.#range;
    const step = (to - from) / points;
    const values = Array.from({ length: points + 1 }, (_, i) => from + i * step);
    const options = [...this.#session.at(), '--vary', `${hand.setting}=${from}..${to}`, '--sizes', values.join(',')];
    const asked = JSON.stringify([options, this.#session.options(), this.#session.text]);
    if (asked === this.#asked) return;
    this.#asked = asked;
    try {
      let swept = await this.#session.answers('along', 'sweep', options);
      if (swept && Object.keys(swept.sizes[0]?.values ?? {}).length === 0) {
        // There is no breakpoint: then what is of the node itself is shown.
        const tail = this.#session.node(this.#session.selected)?.tail;
        const own = ['width', 'height', 'left', 'top'].map((measure) => `${tail}.${measure}`).join(',');
        swept = await this.#session.answers('along', 'sweep', [...options, '--show', own]);
      }
      if (!swept || hand.setting !== this.#hand?.setting) return;
      [this.#swept, this.#fault] = [swept, ''];
    } catch (error) {
      [this.#swept, this.#fault] = [null, messageOf(error)];
    }
    this.#write();
  }

  /** The quantities whose curves are drawn: those that change. */
  get #quantities() {
    const { sizes } = this.#swept ?? { sizes: [] };
    const all = Object.keys(sizes[0]?.values ?? {});
    const moved = all.filter((one) => sizes.some(({ values }) => values[one] !== sizes[0].values[one]));
    return (moved.length > 0 ? moved : all).slice(0, mostCurves);
  }

  #tellValue() {
    namePanel(
      'along',
      this.#hand ? `${this.#hand.called} ${rounded(this.#hand.value)}, along its range` : 'Sweep a setting',
    );
    this.#slider.ariaLabel = this.#hand?.called ?? '';
  }

  #write() {
    this.#tellValue();
    const hand = this.#hand;
    if (!hand) {
      const how =
        'Take a handle in the picture, by pointer or by Tab: what its setting does over its whole range is drawn here.';
      return refill(inside('along'), make('p', {}, how));
    }
    if (hand.why) return refill(inside('along'), make('p', {}, `${hand.called} ${hand.why}: it has no curve.`));
    Object.assign(this.#slider, {
      min: String(this.#range.from),
      max: String(this.#range.to),
      step: String(hand.grain),
    });
    this.#slider.value = String(hand.value);
    const plot = make('div', { className: 'plot' });
    refill(
      inside('along'),
      this.#ends(),
      plot,
      this.#slider,
      ...this.#legend(),
      ...(this.#fault ? [make('p', { className: 'fault', role: 'alert' }, this.#fault)] : []),
    );
    if (this.#swept) this.#draw(plot, this.#swept);
  }

  /** From where to where. */
  #ends() {
    const field = (/** @type {'from' | 'to'} */ end) => {
      const input = make('input', {
        size: 5,
        value: rounded(this.#range[end]),
        inputMode: 'decimal',
        'data-key': `along ${end}`,
      });
      input.addEventListener('change', () => {
        const range = { ...this.#range, [end]: Number(input.value) };
        if (!(range.from < range.to)) return;
        this.#range = range;
        this.#write();
        this.#ask();
      });
      return make('label', {}, `${end} `, input);
    };
    return make('p', {}, field('from'), ' ', field('to'));
  }

  /** @param {HTMLElement} plot @param {ClimbedSetting} swept */
  #draw(plot, swept) {
    const canvas = make('canvas', { role: 'img' });
    plot.append(make('div', { className: 'curves' }, canvas));
    this.#chart?.destroy();
    this.#chart = curveChart(canvas, { left: 8, right: 44 });
    const { sizes, breakpoints } = swept;
    const quantities = this.#quantities;
    const curves = quantities.map((one) => sizes.map(({ value, values }) => ({ x: value, y: values[one] ?? NaN })));
    drawCurves(this.#chart, curves, this.#range);
    canvas.ariaLabel = `Curves of ${quantities.join(', ')} over ${this.#hand?.called}`;
    const { scales } = this.#chart;
    for (const breakpoint of breakpoints
      .filter(({ quantity }) => quantities.includes(quantity))
      .slice(0, mostBreakpoints)) {
      plot.append(
        breakpointMark(this.#chart, breakpoint, scales.x.getPixelForValue(breakpoint.at), () =>
          this.#goTo(breakpoint.at),
        ),
      );
    }
  }

  /** @param {number} value */
  #goTo(value) {
    this.#hand?.pull(value);
    this.#session.letGo();
  }

  #legend() {
    if (!this.#swept) return [];
    const quantities = this.#quantities;
    const swatches = quantities.map((one, i) =>
      make(
        'span',
        { className: 'curve' },
        make('span', { className: `swatch curve-${i}`, 'aria-hidden': 'true' }),
        `${one} `,
      ),
    );
    const breakpoints = this.#swept.breakpoints.filter(({ quantity }) => quantities.includes(quantity));
    const items = breakpoints.slice(0, mostBreakpoints).map((breakpoint) =>
      make(
        'li',
        {},
        link(rounded(breakpoint.at), `set it to ${rounded(breakpoint.at)}`, () => this.#goTo(breakpoint.at)),
        ` ${breakpointText(breakpoint)}`,
      ),
    );
    return [
      make('p', { className: 'quiet' }, ...swatches),
      make(
        'p',
        {},
        breakpoints.length > 0
          ? `${counted(breakpoints.length, 'breakpoint')}:`
          : 'No breakpoint: these run straight over the whole range.',
      ),
      ...(items.length > 0 ? [make('ul', {}, ...items)] : []),
    ];
  }
}

/** From nothing, or the least there is, to twice its value; at least a hundred. @param {InHand} hand */
function rangeOf({ value, least, most, grain }) {
  const usual = 100 * grain;
  const far = Math.max(usual, Math.ceil((2 * Math.abs(value)) / grain) * grain);
  return { from: Math.max(least, least < 0 ? -usual / 2 : 0), to: Math.min(most, far) };
}
