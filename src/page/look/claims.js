// SPDX-License-Identifier: MIT
// @ts-check
// What the author claims, kept or broken, and claims that are typed here and checked at once.

import { inside, link, make, messageOf, namePanel, refill } from './dom.js';
import { counted, rounded, stretch } from './numbers.js';
import { linked } from './names.js';

/**
 * @typedef {object} Failing
 * @property {number} from
 * @property {number} to
 * @property {boolean} includes_from
 * @property {boolean} includes_to
 * @property {number | null} height
 * @property {{width: number, height: number, values: Record<string, number | null>}} worst
 * @property {string} why
 *
 * @typedef {object} Checked
 * @property {string} claim
 * @property {boolean} holds
 * @property {number} tests
 * @property {Failing[]} failing
 */

/** As the program says it: a claim whose condition never holds is not broken. @param {Checked} one */
const verdictOn = ({ holds, tests }) => (holds ? 'holds' : tests === 0 ? 'untested' : 'fails');

export class Claims {
  #session;
  /** @type {Checked[]} */
  #checked = [];
  #fault = '';
  #input = make('input', {
    size: 24,
    placeholder: 'beds.width >= 200',
    'aria-label': 'A claim to check',
    'data-key': 'claim',
  });

  /** @param {import('./session.js').Session} session */
  constructor(session) {
    this.#session = session;
    session.on('scene', () => this.#check());
    this.#write('checking …');
  }

  /** Those that do not hold. */
  get broken() {
    return this.#checked.filter((one) => !one.holds);
  }

  /** Leads to where a claim fails worst. @param {Failing} failing */
  lead(failing) {
    const { size } = this.#session;
    this.#session.resize(failing.worst.width, failing.height === null ? size.height : failing.height);
  }

  /** Checks one claim more from now on. @param {string} claim */
  async add(claim) {
    this.#session.claims.push(claim);
    await this.#check(claim);
  }

  async #check(newest = '') {
    const session = this.#session;
    this.#fault = '';
    if (session.scene.claims.length + session.claims.length === 0) {
      this.#checked = [];
      this.#write('');
      session.tell('claims');
      return;
    }
    const options = session.claims.flatMap((claim) => ['--claim', claim]);
    try {
      const answer = await session.answers('claims', 'check', options);
      if (!answer) return;
      this.#checked = answer.claims;
    } catch (error) {
      const message = messageOf(error);
      if (newest) {
        session.claims = session.claims.filter((claim) => claim !== newest);
        if (!this.#input.value) this.#input.value = newest;
        await this.#check();
      } else {
        // What was tried may have taken away what a typed claim is about.
        this.#checked = [];
      }
      this.#fault = message;
    }
    this.#write('');
    session.tell('claims');
  }

  /** @param {string} waiting */
  #write(waiting) {
    const { broken } = this;
    const kept = this.#checked.length - broken.length;
    const all = this.#checked.length;
    const summary =
      waiting ||
      (all === 0
        ? this.#fault
          ? 'not checked'
          : 'none in the scene'
        : broken.length === 0
          ? `${all === 1 ? 'it holds' : `all ${all} hold`}`
          : `${broken.length} of ${all} ${broken.some((one) => one.tests > 0) ? 'fail' : 'untested'}, ${kept} hold`);
    namePanel('claims', `Claims: ${summary}`);
    const form = make(
      'form',
      { autocomplete: 'off', onsubmit: (/** @type {Event} */ event) => this.#submit(event) },
      this.#input,
      make('button', {}, 'Check'),
    );
    const typed = new Set(this.#session.claims);
    const items = [...this.#checked]
      .sort((a, b) => Number(a.holds) - Number(b.holds))
      .map((one) => {
        const sign = make('span', { className: one.holds ? 'good' : 'bad' }, verdictOn(one));
        const item = make('li', {}, sign, ' ', make('code', {}, ...linked(this.#session, one.claim)));
        if (typed.has(one.claim))
          item.append(
            ' ',
            link('leave out', `leave ${one.claim} out`, () => this.#drop(one.claim)),
          );
        if (one.failing.length > 0) item.append(this.#stretches(one));
        return item;
      });
    refill(
      inside('claims'),
      form,
      make('p', { className: 'fault', role: 'alert' }, this.#fault),
      make('ul', { className: 'claims' }, ...items),
    );
  }

  /** @param {Checked} one */
  #stretches({ failing }) {
    const most = 8;
    const list = failing.slice(0, most).map((one) => {
      const where = link(
        stretch(one.from, one.to, one.includes_from, one.includes_to),
        `go to the worst, ${rounded(one.worst.width)} × ${rounded(one.worst.height)}`,
        () => this.lead(one),
      );
      const values = Object.entries(one.worst.values).map(
        ([name, value]) => `${name} ${value === null ? 'hidden' : rounded(value)}`,
      );
      const at = one.from === one.to && one.worst.width === one.from ? '' : ` at ${rounded(one.worst.width)}`;
      const height = one.height === null ? '' : `, height ${rounded(one.height)}`;
      return make(
        'li',
        {},
        'at ',
        where,
        `${height}: `,
        ...linked(this.#session, one.why),
        ...(values.length > 0 ? [` (${values.join(', ')}${at})`] : []),
      );
    });
    if (failing.length > most)
      list.push(make('li', {}, `and ${counted(failing.length - most, 'stretch', 'stretches')} more`));
    return make('ul', {}, ...list);
  }

  /** @param {Event} event */
  #submit(event) {
    event.preventDefault();
    const claim = this.#input.value.trim();
    if (!claim) return;
    this.#input.value = '';
    this.#fault = '';
    this.#write('checking …');
    this.add(claim);
  }

  /** @param {string} claim */
  #drop(claim) {
    this.#session.claims = this.#session.claims.filter((one) => one !== claim);
    this.#check();
  }
}
