// SPDX-License-Identifier: MIT
// @ts-check
// Commands of the program, answered off the page's own thread, so that no sweep or check holds a hand up. Two workers:
// one for what is told of a node at once, one for what may take seconds.

import { messageOf } from './dom.js';
import { Engine, Trapped, carried } from './engine.js';

/**
 * @typedef {object} Question
 * @property {string} file
 * @property {string} text  of the scene
 * @property {string[]} words
 */

/** What a worker does: this same script, where there is no document. */
export function answerQuestions() {
  /** @type {Promise<WebAssembly.Module>} */
  let module;
  /** @type {Engine | undefined} */
  let engine;
  let opened = '';
  /** @param {Question} question */
  const answer = async ({ file, text, words }) => {
    engine ??= await Engine.start(await module);
    const key = `${file}\0${text}`;
    if (opened !== key) {
      engine.open(file, text);
      opened = key;
    }
    return engine.ask(words);
  };
  let last = Promise.resolve();
  addEventListener('message', ({ data }) => {
    if ('module' in data) {
      module = Promise.resolve(data.module);
      return;
    }
    if ('pieces' in data) {
      last = last.then(() => {
        [carried.pieces, opened] = [data.pieces, ''];
      });
      return;
    }
    last = last.then(async () => {
      try {
        postMessage({ answer: await answer(data) });
      } catch (error) {
        if (error instanceof Trapped) [engine, opened] = [undefined, ''];
        postMessage({ fault: messageOf(error) });
      }
    });
  });
}

/** One worker. What it is asked for the same purpose while it is busy takes the place of what was asked before. */
export class Asker {
  /** @type {Worker | undefined} */
  #worker;
  /** @type {{purpose: string, question: Question, keep: (answer: import('./engine.js').Answer | null) => void, fail: (error: Error) => void}[]} */
  #waiting = [];
  #busy = false;
  /** Those that the worker has. */
  #pieces = '';
  #script;
  #module;
  #first;
  /** Told when there is nothing left to do. @type {(() => void)[]} */
  #idle = [];

  /**
   * @param {string} script
   * @param {Promise<WebAssembly.Module>} module
   * @param {Asker} [first]  who begins before this one does: a small machine has no space for both beside the hand
   */
  constructor(script, module, first) {
    this.#script = script;
    this.#module = module;
    this.#first = first;
  }

  get isBusy() {
    return this.#busy;
  }

  /**
   * Answers null when somebody asked anew for the same purpose before it was begun. A purpose that is empty is never
   * taken over.
   * @param {string} purpose
   * @param {Question} question
   * @returns {Promise<import('./engine.js').Answer | null>}
   */
  ask(purpose, question) {
    return new Promise((keep, fail) => {
      const old = purpose ? this.#waiting.findIndex((one) => one.purpose === purpose) : -1;
      if (old >= 0) this.#waiting.splice(old, 1)[0].keep(null);
      this.#waiting.push({ purpose, question, keep, fail });
      this.#next();
    });
  }

  async #next() {
    if (this.#busy) return;
    if (this.#waiting.length === 0) {
      for (const go of this.#idle.splice(0)) go();
      return;
    }
    if (this.#first?.isBusy) {
      this.#first.#idle.push(() => this.#next());
      return;
    }
    this.#busy = true;
    const [{ question, keep, fail }] = this.#waiting.splice(0, 1);
    try {
      const worker = await this.#started();
      const { answer, fault } = await new Promise((told, broke) => {
        worker.onmessage = ({ data }) => told(data);
        worker.onerror = (event) => broke(new Error(event.message || 'the worker broke off'));
        worker.postMessage(question);
      });
      if (fault) throw new Error(fault);
      keep(answer);
    } catch (error) {
      fail(error instanceof Error ? error : new Error(String(error)));
    }
    this.#busy = false;
    this.#next();
  }

  async #started() {
    if (!this.#worker) {
      this.#worker = new Worker(this.#script);
      this.#worker.postMessage({ module: await this.#module });
    }
    if (this.#pieces !== carried.pieces) {
      this.#worker.postMessage({ pieces: carried.pieces });
      this.#pieces = carried.pieces;
    }
    return this.#worker;
  }
}
