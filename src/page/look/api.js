// SPDX-License-Identifier: MIT
// @ts-check
// `window.fondLadder`: what the page can be asked from outside. docs/page.md tells it to people. All give promises.

import { Refused } from './engine.js';

/**
 * @param {import('./session.js').Session} session
 */
export function api(session) {
  const knows = (/** @type {string[]} */ names, /** @type {string} */ name, /** @type {string} */ what) => {
    if (!names.includes(name)) throw new Refused(`the scene has no ${what} ${name}`);
  };
  return {
    /** What the scene is: name, nodes, ladder, ranges, modes, locales, claims. */
    async scene() {
      return structuredClone(session.scene);
    },
    /** The container, in pixels; `byContent` where its height is its content's. */
    async size() {
      return { ...session.container, byContent: session.size.height === null };
    },
    /** @param {number} width @param {number | null} [height] by content when null; as it is when left out */
    async resize(width, height = session.size.height) {
      session.resize(width, height);
    },
    /** Every node that has a place, as `measure` tells it. */
    async boxes() {
      return [...session.placed()].map(([path, box]) => ({ path, ...box }));
    },
    /** @param {string} path */
    async select(path) {
      session.select(path);
    },
    async selected() {
      return session.selected;
    },
    /**
     * What the program answers to a command about the scene as it is shown, as text; JSON unless `options` ask for
     * another format.
     * @param {'measure' | 'explain' | 'sweep' | 'check' | 'lint'} command
     * @param {string[]} [options] as on the command line, after the scene
     */
    async run(command, options = []) {
      const format = options.includes('--format') ? [] : ['--format', 'json'];
      const answer = await session.ask('', command, [...options, ...format]);
      if (!answer || answer.status > 1) throw new Refused(answer?.messages.trim() ?? 'not asked');
      return answer.out;
    },
    /** @param {string} name @param {boolean} on */
    async setMode(name, on) {
      knows(session.scene.modes, name, 'mode');
      const others = session.modes.filter((mode) => mode !== name);
      await session.setForm({ modes: on ? [...others, name] : others });
    },
    /** @param {string} name the scene's own texts when empty */
    async setLocale(name) {
      if (name) knows(session.scene.locales, name, 'locale');
      await session.setForm({ locale: name });
    },
    /** @param {'fixed' | 'fonts' | ''} metrics the text metrics; empty: those of the scene */
    async setTextMetrics(metrics) {
      if (metrics) knows(session.scene.words.carried ? ['fixed', 'fonts'] : ['fixed'], metrics, 'text metrics');
      await session.setForm({ words: metrics });
    },
    /** @param {string} what one change, as in `set beds.width=300` */
    async apply(what) {
      const at = what.indexOf(' ');
      await session.apply(at < 0 ? what : what.slice(0, at), what.slice(at + 1));
    },
    /** The changes so far, as options of the program. */
    async changes() {
      return session.scene.changes.map((one) => one.option);
    },
    async undo() {
      await session.undo();
    },
    async redo() {
      await session.redo();
    },
    /** The scene file with all changes. */
    async sceneText() {
      return session.sceneText();
    },
    /** The number of moves since the last call, and the work per move: mean and worst, in milliseconds. */
    async stats() {
      return session.work.take();
    },
  };
}
