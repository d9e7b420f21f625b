// SPDX-License-Identifier: MIT
// @ts-check
// What a hand does at once may be several changes: they are made, taken back and made again together.

import { Refused } from './engine.js';

/**
 * @typedef {import('./engine.js').Engine} Engine
 *
 * @typedef {import('./session.js').Try} Try
 */

export class Deeds {
  /** Of each change that is made, its deed. @type {number[]} */
  #made = [];
  /** The same of those taken back, the last one on top. @type {number[]} */
  #takenBack = [];
  #last = 0;

  get canMakeAgain() {
    return this.#takenBack.length > 0;
  }

  /** Makes changes as one deed: all, or none. @param {Engine} engine @param {Try[]} changes */
  make(engine, changes) {
    const deed = ++this.#last;
    let made = 0;
    try {
      for (const { does, what } of changes) {
        engine.apply(does, what);
        made += 1;
      }
    } catch (error) {
      if (error instanceof Refused) while (made-- > 0) engine.undo();
      throw error;
    }
    this.#made.push(...changes.map(() => deed));
    this.#takenBack = [];
  }

  /** Takes the last deed back. @param {Engine} engine @param {boolean} [forgets]  it cannot be made again */
  takeBack(engine, forgets = false) {
    const deed = this.#made.at(-1);
    while (deed !== undefined && this.#made.at(-1) === deed) {
      engine.undo();
      this.#made.pop();
      if (!forgets) this.#takenBack.push(deed);
    }
  }

  /** Makes the deed again that was taken back last. @param {Engine} engine */
  makeAgain(engine) {
    const deed = this.#takenBack.at(-1);
    while (deed !== undefined && this.#takenBack.at(-1) === deed) {
      engine.redo();
      this.#takenBack.pop();
      this.#made.push(deed);
    }
  }

  /** Forgets the first changes, which are no changes any more. @param {number} count */
  forget(count) {
    this.#made = this.#made.slice(count);
  }

  /** Makes all changes anew in an engine that has just opened, each as part of the deed that it was. Returns what cannot be made any more. @param {Engine} engine @param {(Try & {text?: string})[]} changes */
  makeAll(engine, changes) {
    /** @type {string[]} */
    const lost = [];
    const deeds = changes.map((_, i) => this.#made[i] ?? ++this.#last);
    [this.#made, this.#takenBack] = [[], []];
    for (const [i, { does, what, text }] of changes.entries()) {
      try {
        engine.apply(does, what);
        this.#made.push(deeds[i]);
      } catch (error) {
        if (!(error instanceof Refused)) throw error;
        lost.push(text ?? what);
      }
    }
    return lost;
  }
}
