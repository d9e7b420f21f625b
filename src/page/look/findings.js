// SPDX-License-Identifier: MIT
// @ts-check
// What `lint` says of the scene.

import { inside, link, make, messageOf, namePanel, refill } from './dom.js';
import { linked, nodeLink, spanLinks } from './names.js';

/**
 * @typedef {object} Finding
 * @property {string} node
 * @property {string} key
 * @property {string} rule
 * @property {string} why
 * @property {string} fix
 * @property {{from: number, to: number}[]} widths
 */

export class Findings {
  #session;

  /** @param {import('./session.js').Session} session */
  constructor(session) {
    this.#session = session;
    session.on('scene', () => this.#look());
  }

  async #look() {
    try {
      const answer = await this.#session.answers('findings', 'lint', []);
      if (answer) this.#write(answer.findings, answer.dormant);
    } catch (error) {
      namePanel('findings', 'Findings: could not be looked for');
      refill(inside('findings'), make('p', { className: 'fault' }, messageOf(error)));
    }
  }

  /** @param {Finding[]} findings @param {Finding[]} dormant */
  #write(findings, dormant) {
    namePanel('findings', `Findings: ${findings.length || 'none'}`);
    const list = (/** @type {Finding[]} */ all) => make('ul', {}, ...all.map((one) => this.#item(one)));
    /** @type {Node[]} */
    const parts =
      findings.length > 0 ? [list(findings)] : [make('p', {}, 'Nothing suspicious at any size of the ladder.')];
    if (dormant.length > 0)
      parts.push(make('details', {}, make('summary', {}, `Asleep: ${dormant.length}`), list(dormant)));
    refill(inside('findings'), ...parts);
  }

  /** @param {Finding} one */
  #item(one) {
    const item = make(
      'li',
      {},
      nodeLink(this.#session, one.node),
      one.key ? ` ${one.key}: ` : ': ',
      ...linked(this.#session, one.why),
    );
    if (one.widths.length > 0) item.append(' (at ', ...spanLinks(this.#session, one.widths), ')');
    if (one.fix) item.append(make('br'), 'Fix: ', ...this.#fix(one));
    return item;
  }

  /** A fix that leaves a setting out can be tried at once. @param {Finding} one */
  #fix({ node, key, fix }) {
    const parts = linked(this.#session, fix);
    if (!key || !fix.startsWith('remove it')) return parts;
    const what = `${node}.${key}=null`;
    const tryIt = () => this.#session.apply('set', what).catch((error) => this.#session.say(error.message));
    return [...parts, ' ', link('apply', `--set ${what}`, tryIt)];
  }
}
