// SPDX-License-Identifier: MIT
// @ts-check
// Another arrangement beside the one that is changed, under the same hand on the edge: the file without the changes,
// another locale, a mode that is on, or another scene that is read from a file.

import { find, make, messageOf } from './dom.js';
import { Refused, painted } from './engine.js';

/** Pixels between the two. */
export const apart = 40;

export class Beside {
  #session;
  /** @type {import('./engine.js').Engine | null} */
  #engine = null;
  #newEngine;
  /** What is beside it: nothing when empty, `file`, `locale NAME`, `mode NAME`, `scene`. */
  #what = '';
  /** @type {{name: string, text: string} | null} */
  #other = null;
  /** @type {Map<string, number>} */
  #places = new Map();
  #boxes = new Float64Array(0);
  #choice = find('beside');
  #file = make('input', { type: 'file', accept: '.json', hidden: true, 'aria-label': 'Another scene' });

  /** @param {import('./session.js').Session} session @param {() => Promise<import('./engine.js').Engine>} newEngine */
  constructor(session, newEngine) {
    this.#session = session;
    this.#newEngine = newEngine;
    find('tools').append(this.#file);
    session.on('scene', () => this.#offer());
    session.on('scene', () => this.#open().catch((error) => this.#fail(error)));
    session.on('size', () => {
      try {
        this.#arrange();
      } catch (error) {
        this.#fail(error);
      }
    });
    const choice = /** @type {HTMLSelectElement} */ (this.#choice);
    choice.addEventListener('change', () => {
      if (choice.value === 'another') this.#file.click();
      else this.#show(choice.value);
      choice.value = this.#what; // until the file is read
    });
    this.#file.addEventListener('change', async () => {
      const [file] = this.#file.files ?? [];
      if (!file) return;
      this.#other = { name: file.name, text: await file.text() };
      this.#file.value = '';
      this.#offer();
      this.#show('scene');
    });
  }

  /** Whether something is beside it. */
  get on() {
    return this.#what !== '' && this.#boxes.length > 0;
  }
  /** What it is called. */
  get name() {
    const [kind, ...rest] = this.#what.split(' ');
    const name = rest.join(' ');
    return (
      { file: 'as in the file', locale: `texts: ${name}`, mode: `mode: ${name}`, scene: this.#other?.name ?? '' }[
        kind
      ] ?? ''
    );
  }
  /** @param {Parameters<import('./engine.js').Engine['paint']>[0]} place */
  paint(place) {
    return /** @type {import('./engine.js').Engine} */ (this.#engine).paint(place);
  }
  /** The box of a node there, as it is painted. @param {string} path */
  box(path) {
    const place = this.#places.get(path);
    return place === undefined ? null : painted(this.#boxes, place);
  }

  #offer() {
    const { locales, modes } = this.#session.scene;
    const option = (/** @type {string} */ value, /** @type {string} */ text) =>
      make('option', { value, selected: value === this.#what }, text);
    const kept = ['', 'file', ...locales.map((one) => `locale ${one}`), ...modes.map((one) => `mode ${one}`)];
    if (this.#other) kept.push('scene');
    if (!kept.includes(this.#what)) this.#what = '';
    this.#choice.replaceChildren(
      option('', 'Compare with: none'),
      option('file', 'the file without changes'),
      ...locales.map((one) => option(`locale ${one}`, `with the texts of ${one}`)),
      ...modes.map((one) => option(`mode ${one}`, `in mode ${one}`)),
      ...(this.#other ? [option('scene', this.#other.name)] : []),
      option('another', 'another scene …'),
    );
  }

  /** @param {string} what */
  #show(what) {
    this.#what = what;
    /** @type {HTMLSelectElement} */ (this.#choice).value = what;
    this.#open().catch((error) => this.#fail(error));
  }

  async #open() {
    const { file, text, scene, size } = this.#session;
    if (this.#what === '' && this.#boxes.length === 0) return; // nothing is, and nothing was
    this.#boxes = new Float64Array(0);
    if (this.#what !== '') {
      this.#engine ??= await this.#newEngine();
      const engine = this.#engine;
      const [kind, ...rest] = this.#what.split(' ');
      const name = rest.join(' ');
      if (kind === 'scene' && this.#other) {
        engine.open(this.#other.name, this.#other.text);
      } else {
        engine.open(file, text);
        if (kind !== 'file') for (const { does, what } of scene.changes) engine.apply(does, what);
      }
      const form = this.#session.formIn(engine.describe());
      if (kind === 'locale') form.locale = name;
      if (kind === 'mode') form.modes = [...new Set([...form.modes, name])];
      engine.setForm(form);
      this.#arrange(size);
    }
    this.#session.tell('beside');
  }

  #arrange(size = this.#session.size) {
    if (this.#what === '' || !this.#engine) return;
    const count = this.#engine.solve(size.width, size.height);
    if (this.#boxes.length === 0 || this.#engine.hasOtherNodes)
      this.#places = new Map(this.#engine.describe().nodes.map(({ path }, place) => [path, place]));
    this.#boxes = this.#engine.boxes(count);
  }

  /** @param {unknown} error */
  #fail(error) {
    this.#what = '';
    if (!(error instanceof Refused)) this.#engine = null; // one that broke off is not used again
    /** @type {HTMLSelectElement} */ (this.#choice).value = '';
    this.#session.say(`The comparison cannot be shown: ${messageOf(error)}`);
    this.#session.tell('beside');
  }
}
