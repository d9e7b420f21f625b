// SPDX-License-Identifier: MIT
// @ts-check
// Elements, made and found. Texts go in as texts, never as markup.

/**
 * An element of the page that is always there.
 * @template {HTMLElement} [T=HTMLElement]
 * @param {string} id without the prefix
 * @returns {T}
 */
export function find(id) {
  const found = document.getElementById(`fl-${id}`);
  if (!found) throw new Error(`the page has no ${id}`);
  return /** @type {T} */ (found);
}

/**
 * The part of a panel that changes, under its summary.
 * @param {string} id
 */
export function inside(id) {
  return /** @type {HTMLElement} */ (find(id).lastElementChild);
}

/**
 * A new element. A property that the element has is set, any other is an attribute; `on…` listens.
 * @template {keyof HTMLElementTagNameMap} T
 * @param {T} tag
 * @param {Record<string, unknown>} [properties]
 * @param {...(Node | string)} children
 * @returns {HTMLElementTagNameMap[T]}
 */
export function make(tag, properties = {}, ...children) {
  const element = document.createElement(tag);
  for (const [name, value] of Object.entries(properties)) {
    if (name.startsWith('on')) {
      element.addEventListener(name.slice(2), /** @type {EventListener} */ (value));
    } else if (name in element && name !== 'list') {
      Object.assign(element, { [name]: value });
    } else {
      element.setAttribute(name, String(value));
    }
  }
  element.append(...children);
  return element;
}

/** What went wrong, to be told. @param {unknown} error */
export const messageOf = (error) => (error instanceof Error ? error.message : String(error));

/** The name of a panel, which tells how it stands. @param {string} id @param {string} text */
export function namePanel(id, text) {
  /** @type {HTMLElement} */ (find(id).firstElementChild).textContent = text;
}

/**
 * A button that looks like a word of the sentence it stands in.
 * @param {string} text
 * @param {string} title
 * @param {() => void} does
 */
export function link(text, title, does) {
  return make('button', { type: 'button', className: 'link', title, onclick: does }, text);
}

/**
 * Puts other children into an element, and leaves the focus where it was if what had it is there again.
 * @param {HTMLElement} parent
 * @param {...(Node | string)} children
 */
export function refill(parent, ...children) {
  const focused = /** @type {HTMLElement | null} */ (
    parent.contains(document.activeElement) ? document.activeElement : null
  );
  const key = focused?.dataset.key;
  parent.replaceChildren(...children);
  if (!key) return;
  for (const one of parent.querySelectorAll('[data-key]')) {
    if (one instanceof HTMLElement && one.dataset.key === key) one.focus();
  }
}
