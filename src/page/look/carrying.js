// SPDX-License-Identifier: MIT
// @ts-check
// What keys do with a node in the nesting: carry it among its siblings, into the container before it and out of its own.
// The same moves as a hand makes, told in one list.

import { isContainer } from './actions.js';
import { messageOf } from './dom.js';
import { containerOf } from './session.js';

/** @typedef {import('./session.js').Session} Session */

/** What each key does, for the list of keys. */
export const carryingKeys = [
  ['Alt+↑ Alt+↓', 'the node comes one place earlier or later among its siblings'],
  ['Alt+→', 'it goes into the container before it, as the last one there'],
  ['Alt+←', 'it leaves its container, and stands behind it'],
];

/**
 * Where a key carries a node: into which container, at which place; nothing where it cannot.
 * @param {Session} session
 * @param {string} path of the node
 * @param {string} key
 */
function destination(session, path, key) {
  const container = containerOf(path);
  if (!container) return null;
  const siblings = session.childrenOf(container);
  const now = siblings.findIndex((one) => one.path === path);
  const before = siblings[now - 1];
  switch (key) {
    case 'ArrowUp':
      return now > 0 ? { container, place: now - 1 } : null;
    case 'ArrowDown':
      return now < siblings.length - 1 ? { container, place: now + 1 } : null;
    case 'ArrowRight':
      return before && isContainer(before.kind)
        ? { container: before.path, place: session.childrenOf(before.path).length }
        : null;
    case 'ArrowLeft': {
      const above = containerOf(container);
      if (!above) return null;
      return { container: above, place: session.childrenOf(above).findIndex((one) => one.path === container) + 1 };
    }
    default:
      return null;
  }
}

/**
 * Does what a key asks of a node. Returns whether it is one of these keys.
 * @param {Session} session
 * @param {number} place of the node
 * @param {KeyboardEvent} event
 */
export function carryByKey(session, place, event) {
  const { path, step } = session.scene.nodes[place];
  const refused = (/** @type {unknown} */ error) => session.say(messageOf(error));
  if (!event.altKey || !event.key.startsWith('Arrow')) return false;
  const to = destination(session, path, event.key);
  if (!to) {
    session.say(`${step} cannot go further that way.`);
    return true;
  }
  session.carry([path], to.container, to.place).catch(refused);
  return true;
}
