// SPDX-License-Identifier: MIT
// @ts-check
// The held arrangement beside the present one: what moved.

import { find, inside, make, namePanel, refill } from './dom.js';
import { nodeLink } from './names.js';
import { counted, rounded, sized } from './numbers.js';

const most = 40;

export class Moved {
  #session;

  /** @param {import('./session.js').Session} session */
  constructor(session) {
    this.#session = session;
    const hold = find('hold');
    hold.addEventListener('click', () => session.hold(!session.held));
    session.on('held', () => {
      hold.ariaPressed = String(session.held !== null);
      hold.textContent = session.held ? `Stop comparing with ${session.heldAs}` : 'Keep for comparison';
      /** @type {HTMLDetailsElement} */ (find('moved')).open = session.held !== null;
    });
    session.on('held rest', () => this.#write());
    this.#write();
  }

  #write() {
    const session = this.#session;
    if (!session.old) {
      namePanel('moved', 'What moved');
      refill(
        inside('moved'),
        make(
          'p',
          {},
          'Hold an arrangement, or change something: what differs is outlined in the picture and listed here.',
        ),
      );
      return;
    }
    const moved = session.moved();
    const than = session.held ? `than at ${session.heldAs}` : 'than in the file, at this size';
    namePanel(
      'moved',
      moved.length === 0 ? 'Nothing moved' : `${counted(moved.length, 'node is', 'nodes are')} elsewhere`,
    );
    const rows = moved
      .slice(0, most)
      .map(({ path, from, to }) =>
        make(
          'tr',
          {},
          make('th', { scope: 'row' }, nodeLink(session, path)),
          make('td', {}, place(from)),
          make('td', {}, place(to)),
        ),
      );
    const head = make('tr', {}, ...['', 'was', 'is'].map((text) => make('th', { scope: 'col' }, text)));
    refill(
      inside('moved'),
      make(
        'p',
        {},
        moved.length === 0
          ? `No node is elsewhere or of another size ${than}.`
          : `Elsewhere or of another size ${than}:`,
      ),
      ...(rows.length > 0 ? [make('table', {}, make('thead', {}, head), make('tbody', {}, ...rows))] : []),
      ...(moved.length > most ? [make('p', {}, `and ${moved.length - most} more`)] : []),
    );
  }
}

/** @param {import('./engine.js').Box | null} box */
const place = (box) => (box ? `${sized(box)} at ${rounded(box.x)}, ${rounded(box.y)}` : 'nowhere');
