// SPDX-License-Identifier: MIT
// @ts-check
// What the scene would look like with another setting, arranged in an engine of its own beside the one that is shown.

import { Refused } from './engine.js';

/** @typedef {import('./engine.js').Engine} Engine */

export class Sketches {
  #session;
  #newEngine;
  /** @type {Engine | undefined} */
  #engine;
  #turn = 0;

  /** @param {import('./session.js').Session} session @param {() => Promise<Engine>} newEngine */
  constructor(session, newEngine) {
    this.#session = session;
    this.#newEngine = newEngine;
  }

  /**
   * Arranges what is shown with each of some settings instead; `draw` is told each, or why it is refused, and answers
   * whether to go on. Who asks later goes first.
   * @param {string[]} whats as `try` takes them
   * @param {(engine: Engine, i: number, refusal: string) => boolean} draw
   */
  async draw(whats, draw) {
    const turn = ++this.#turn;
    const engine = this.#engine ?? (await this.#newEngine());
    this.#engine = undefined; // while it may break off
    const { file, text, scene, size } = this.#session;
    engine.open(file, text);
    for (const { does, what } of scene.changes) engine.apply(does, what);
    engine.setForm(this.#session.formIn(scene));
    for (const [i, what] of whats.entries()) {
      await new Promise((next) => setTimeout(next)); // the hand comes first
      if (turn !== this.#turn) break;
      let refusal = '';
      try {
        engine.apply('set', what);
      } catch (error) {
        if (!(error instanceof Refused)) throw error;
        refusal = error.message;
      }
      if (!refusal) engine.solve(size.width, size.height);
      if (!draw(engine, i, refusal)) break;
      if (!refusal) engine.undo();
    }
    this.#engine = engine;
  }
}
