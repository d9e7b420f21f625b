// SPDX-License-Identifier: MIT
// @ts-check
// What the page is about at this moment: the scene, its form, its size, what is selected, what was tried. Whoever shows
// something listens here; whoever has a control calls here. An engine that broke off is replaced, and everything is made
// again in the new one.

import { Deeds } from './deeds.js';
import { Refused, Trapped, flag, measured, painted } from './engine.js';
import { asked } from './numbers.js';

/**
 * @typedef {import('./engine.js').Engine} Engine
 *
 * @typedef {object} Start  what the program wrote into the page
 * @property {string} file  as the caller spelled it
 * @property {string} text  of the scene
 * @property {number | null} width
 * @property {number | null} height  by content when null
 * @property {string} locale
 * @property {string} text_expansion  as in 40%, or nothing
 * @property {string} words  what they are measured in, or nothing: as the scene says
 * @property {string} pieces  of the words, where there are fonts
 * @property {string[]} modes
 * @property {{does: string, what: string}[]} changes
 * @property {number | null} version  of the file, where the page comes from a server
 * @property {string} token  of that server, shown by whoever watches or writes
 *
 * @typedef {{does: string, what: string}} Try  a change, as an option of the program
 *
 * @typedef {object} Move  an old place of a node, and its new one
 * @property {string} path
 * @property {import('./engine.js').Box | null} from
 * @property {import('./engine.js').Box | null} to
 */

/** The file is arranged too at every move while something is tried, unless the scene is larger than this. */
const oftenCompared = 300;

/** The path of the container that a node lies in; nothing of the root. @param {string} path */
export const containerOf = (path) => path.slice(0, Math.max(0, path.lastIndexOf('/')));

/** How much work moves took, in milliseconds. */
class Work {
  moves = 0;
  total = 0;
  worst = 0;
  /** @param {number} milliseconds */
  add(milliseconds) {
    this.moves += 1;
    this.total += milliseconds;
    this.worst = Math.max(this.worst, milliseconds);
  }
  take() {
    const { moves, total, worst } = this;
    [this.moves, this.total, this.worst] = [0, 0, 0];
    return { moves, mean: moves > 0 ? total / moves : 0, worst };
  }
}

/**
 * @param {import('./engine.js').SceneNode[]} nodes
 * @param {Float64Array} boxes
 * @param {Uint32Array} flags
 */
function placedIn(nodes, boxes, flags) {
  /** @type {Map<string, import('./engine.js').Box>} */
  const all = new Map();
  nodes.forEach((node, place) => {
    if (flags[place] & flag.placed) all.set(node.path, measured(boxes, place));
  });
  return all;
}

export class Session {
  /** @type {Engine} */
  #engine;
  #newEngine;
  #asker;
  #slow;
  /** @type {Map<string, (() => void)[]>} */
  #listeners = new Map();

  file = '';
  text = '';
  /** @type {import('./engine.js').Scene} */
  scene;
  /** @type {Map<string, number>} */
  places = new Map();
  /** @type {{width: number, height: number | null}} */
  size = { width: 0, height: null };
  /** Of the container as it is arranged. */
  height = 0;
  boxes = new Float64Array(0);
  flags = new Uint32Array(0);
  /** @type {string[]} */
  active = [];
  /** Positions of scrollers that were scrolled, as options take them. @type {string[]} */
  scrolled = [];
  /** @type {Map<string, string>} */
  lays = new Map();
  selected = '';
  /** All that are chosen, the selected one among them, in the order of the file. @type {string[]} */
  chosen = [];
  locale = '';
  percent = 0;
  /** What words are measured in; nothing: as the scene says. */
  words = '';
  /** @type {string[]} */
  modes = [];
  /** Claims that were typed here. @type {string[]} */
  claims = [];
  /** Flags before the present move, to tell what became of nodes in it. */
  before = new Uint32Array(0);
  #moving = false;
  /** An arrangement to compare with. @type {Map<string, import('./engine.js').Box> | null} */
  held = null;
  heldAs = '';
  /** The arrangement of the file as it is at this size, while something is tried. @type {Map<string, import('./engine.js').Box> | null} */
  #ofFile = null;
  /** @type {Engine | undefined} */
  #fileEngine;
  /** What there is to say. */
  status = '';
  /** Why the scene cannot be read, as the program says it; what is shown is the last good one. */
  faults = '';
  work = new Work();

  /**
   * @param {() => Promise<Engine>} newEngine
   * @param {Engine} engine
   * @param {import('./asker.js').Asker} asker
   * @param {import('./asker.js').Asker} slow
   */
  constructor(newEngine, engine, asker, slow) {
    this.#newEngine = newEngine;
    this.#engine = engine;
    this.#asker = asker;
    this.#slow = slow;
    this.scene = /** @type {any} */ ({ nodes: [], changes: [], hints: [] });
  }

  /**
   * `scene`: another scene, form or change. `size`: arranged anew, maybe many times a second. `rest`: a moment after the
   * last of those. `nodes`: entries of lists came into view, or went. `selected`, `held`, `claims`, `status`, `faults`.
   * @param {string} events several between spaces
   * @param {() => void} listener
   */
  on(events, listener) {
    for (const event of events.split(' ')) {
      this.#listeners.set(event, [...(this.#listeners.get(event) ?? []), listener]);
    }
  }
  /** @param {string} event */
  tell(event) {
    for (const listener of this.#listeners.get(event) ?? []) listener();
  }
  /** @param {string} text */
  say(text) {
    this.status = text;
    this.tell('status');
  }

  /** @returns {import('./engine.js').Scene['ladder']} */
  get ladder() {
    return this.scene.ladder;
  }
  get container() {
    return { width: this.size.width, height: this.height };
  }
  /** @param {string} path */
  node(path) {
    const place = this.places.get(path);
    return place === undefined ? undefined : this.scene.nodes[place];
  }
  /** @param {string} path */
  box(path) {
    const place = this.places.get(path);
    if (place === undefined || !(this.flags[place] & flag.placed)) return null;
    return measured(this.boxes, place);
  }
  /** All nodes that have a place, as `measure` tells them. */
  placed() {
    return placedIn(this.scene.nodes, this.boxes, this.flags);
  }

  // ------------------------------------------------------------ the scene

  /**
   * Shows a scene. What was selected, tried and chosen is kept as far as the new one has it.
   * @param {string} file
   * @param {string} text
   */
  async open(file, text) {
    const [all, oldFile, oldText] = [this.scene.changes, this.file, this.text];
    const changes = all.slice(this.#inFile); // the others were written into the file
    this.#deeds.forget(this.#inFile);
    try {
      this.#engine.open(file, text);
    } catch (error) {
      if (error instanceof Trapped) return this.#restart(error, oldFile, oldText, all);
      if (!(error instanceof Refused)) throw error;
      this.faults = error.message;
      this.tell('faults');
      return;
    }
    [this.file, this.text, this.faults] = [file, text, ''];
    this.#fileText = text;
    this.#inFile = 0;
    const lost = this.#makeAgain(changes);
    this.tell('faults');
    this.#renew(this.scene);
    if (lost.length > 0) this.say(`No longer possible: ${lost.join(', ')}.`);
  }

  /** Makes changes and the form in an engine that has just opened. @param {{does: string, what: string, text?: string}[]} changes */
  #makeAgain(changes) {
    const lost = this.#deeds.makeAll(this.#engine, changes);
    this.scene = this.#engine.describe();
    const form = this.formIn(this.scene);
    [this.locale, this.modes] = [form.locale, form.modes];
    if (form.locale || form.text_expansion || form.words || form.modes.length > 0) {
      this.#engine.setForm(form);
      this.scene = this.#engine.describe();
    }
    return lost;
  }

  /** The form that is chosen, as far as a scene has it. @param {import('./engine.js').Scene} scene */
  formIn({ modes, locales }) {
    return {
      locale: locales.includes(this.locale) ? this.locale : '',
      text_expansion: this.percent / 100,
      words: this.words,
      modes: this.modes.filter((mode) => modes.includes(mode)),
    };
  }

  /**
   * A new engine in the place of one that broke off, with everything made again; said in the end.
   * @param {Trapped} trap
   * @param {string} file
   * @param {string} text
   * @param {{does: string, what: string}[]} changes
   * @param {string} [without]  what is not made again
   */
  async #restart(trap, file, text, changes, without = '') {
    this.#engine = await this.#newEngine();
    this.#engine.open(file, text);
    this.#makeAgain(changes);
    this.#renew(this.scene);
    this.say(`${trap.message}; it was started anew${without}.`);
  }

  /** Does something with the engine that may be refused; what breaks it is not tried again. @param {() => void} does */
  async #attempt(does) {
    const { changes } = this.scene;
    const [locale, percent, words, modes] = [this.locale, this.percent, this.words, this.modes];
    try {
      does();
    } catch (error) {
      [this.locale, this.percent, this.words, this.modes] = [locale, percent, words, modes];
      if (error instanceof Trapped)
        await this.#restart(error, this.file, this.text, changes, ' without what was just asked');
      throw error;
    }
    this.#renew();
  }

  #renew(scene = this.#engine.describe()) {
    this.scene = scene;
    this.places = new Map(this.scene.nodes.map((node, place) => [node.path, place]));
    const lost = this.selected !== '' && !this.places.has(this.selected);
    if (lost) this.selected = '';
    this.#chooseAmongThere();
    this.before = new Uint32Array(0);
    [this.#ofFile, this.#fileNodes] = [null, []];
    this.tell('scene');
    this.#arrange(true);
    if (lost) this.tell('selected');
    this.#openFile();
  }

  /** Something is tried: the file as it is gets an engine of its own, to compare with. */
  async #openFile() {
    if (this.scene.changes.length === 0) return;
    this.#fileEngine ??= await this.#newEngine();
    this.#fileEngine.open(this.file, this.text);
    const scene = this.#fileEngine.describe();
    this.#fileEngine.setForm(this.formIn(scene));
    this.#fileNodes = scene.nodes;
    this.#arrangeFile();
    this.tell('held');
  }
  /** @type {import('./engine.js').SceneNode[]} */
  #fileNodes = [];

  /** Entries of lists came into view, or went. */
  #renewNodes() {
    this.scene.nodes = this.#engine.describe().nodes;
    this.places = new Map(this.scene.nodes.map((node, place) => [node.path, place]));
    this.before = new Uint32Array(0);
    const lost = this.selected !== '' && !this.places.has(this.selected);
    if (lost) this.selected = '';
    this.#chooseAmongThere();
    this.tell('nodes');
    if (lost) this.tell('selected');
  }

  #arrangeFile() {
    if (this.scene.changes.length === 0 || !this.#fileEngine || this.#fileNodes.length === 0) return;
    const count = this.#fileEngine.solve(this.size.width, this.size.height);
    if (this.#fileEngine.hasOtherNodes) this.#fileNodes = this.#fileEngine.describe().nodes;
    const boxes = this.#fileEngine.boxes(count);
    const flags = this.#fileEngine.troubles(count);
    this.#ofFile = placedIn(this.#fileNodes, boxes, flags);
  }

  // ------------------------------------------------------------ the size

  /** @param {number} width @param {number | null} height */
  resize(width, height) {
    if (!(width >= 0) || (height !== null && !(height >= 0))) throw new Refused('a size is a number from 0 on');
    if (!this.#moving) this.before = this.flags;
    this.size = { width, height };
    this.#arrange(false);
  }
  /** A hand takes hold, or lets go: what becomes of nodes is told against the beginning. @param {boolean} on */
  move(on) {
    if (on) this.before = this.flags;
    this.#moving = on;
  }
  /** The places of nodes that have a flag which they had not before the move. @param {number} bits */
  became(bits) {
    /** @type {number[]} */
    const places = [];
    const { before, flags } = this;
    if (before === flags || before.length !== flags.length) return places;
    for (let place = 0; place < flags.length; ++place) if (flags[place] & ~before[place] & bits) places.push(place);
    return places;
  }

  /** @param {boolean} all whether what only a rest tells is told at once */
  #arrange(all) {
    const begun = performance.now();
    try {
      const count = this.#engine.solve(this.size.width, this.size.height);
      this.height = this.#engine.height;
      this.boxes = this.#engine.boxes(count);
      if (this.#engine.hasOtherNodes) this.#renewNodes();
      this.#lookForTrouble(all);
      this.#compares = all || count <= oftenCompared;
      if (this.#compares) this.#arrangeFile();
    } catch (error) {
      if (!(error instanceof Trapped)) throw error;
      this.#restart(error, this.file, this.text, this.scene.changes);
      return;
    }
    this.tell('size');
    this.work.add(performance.now() - begun);
    this.#restSoon(all);
  }
  /** @param {boolean} now */
  #restSoon(now) {
    clearTimeout(this.#resting);
    this.#resting = setTimeout(() => this.#rest(), now ? 0 : 120);
  }
  #resting = 0;

  /** Looking for what is cut costs more than arranging: not at every move of a large scene. @param {boolean} all */
  #lookForTrouble(all) {
    const now = performance.now();
    const often = 100;
    if (
      !all &&
      this.scene.nodes.length > 200 &&
      now < this.#lookedAt + often &&
      this.flags.length === this.scene.nodes.length
    ) {
      this.#looks = false;
      return;
    }
    this.#lookedAt = now;
    this.#look();
  }
  #lookedAt = 0;
  #look() {
    this.flags = this.#engine.troubles(this.scene.nodes.length);
    this.#looks = true;
  }
  /** Whether flags, and the arrangement of the file, are of the present size. */
  #looks = true;
  #compares = true;

  #rest() {
    if (!this.#looks) this.#look();
    if (!this.#compares) this.#arrangeFile();
    const { active, scrolled, tree } = this.#engine.signs();
    [this.active, this.scrolled] = [active, scrolled];
    this.lays = new Map(tree.map((one) => [one.path, one.layout]));
    this.tell('rest');
  }

  /** @param {Parameters<Engine['paint']>[0]} place */
  paint(place) {
    return this.#engine.paint(place);
  }
  /** The options that scroll what a node lies in as it is scrolled here. @param {string} path */
  scrolledAround(path) {
    return this.scrolled
      .filter((one) => path.startsWith(`${one.slice(0, one.lastIndexOf('='))}/`))
      .flatMap((one) => ['--scrolled', one]);
  }
  /** The path of the front-most node at a point of the container. @param {number} x @param {number} y */
  under(x, y) {
    const place = this.#engine.under(x, y);
    return place < 0 ? '' : this.scene.nodes[place].path;
  }
  /** @param {number} x @param {number} y @param {number} byX @param {number} byY */
  scroll(x, y, byX, byY) {
    return this.#scrolledBy(() => this.#engine.scroll(x, y, byX, byY));
  }
  /** @param {string} path @param {number} x @param {number} y */
  scrollTo(path, x, y) {
    const place = this.places.get(path);
    return place !== undefined && this.#scrolledBy(() => this.#engine.scrollTo(place, x, y));
  }
  /** What can be scrolled at this size, with the boxes in which it is seen. */
  scrollers() {
    if (!this.flags.some((flags) => flags & flag.scrolls)) return [];
    return this.#engine.scrollers().map((one) => {
      return { ...one, node: this.scene.nodes[one.place], box: painted(this.boxes, one.place) };
    });
  }
  /** @param {() => boolean} does */
  #scrolledBy(does) {
    if (!does()) return false;
    if (this.#engine.hasOtherNodes) {
      this.#renewNodes();
      this.#look();
    }
    this.boxes = this.#engine.boxes(this.scene.nodes.length);
    this.tell('size');
    this.#restSoon(false);
    return true;
  }

  // ------------------------------------------------------------ what is looked at

  /** @param {string} path nothing when empty */
  select(path) {
    if (path && !this.places.has(path)) throw new Refused(`there is no node ${path}`);
    if (path === this.selected && this.chosen.length <= 1) return;
    this.selected = path;
    this.chosen = path ? [path] : [];
    this.tell('selected');
  }
  /** Chooses one beside those that are chosen, or no longer. @param {string} path */
  choose(path) {
    if (!this.places.has(path)) throw new Refused(`there is no node ${path}`);
    const others = this.chosen.filter((one) => one !== path);
    const out = others.length < this.chosen.length;
    this.chosen = out ? others : this.#inOrder([...others, path]);
    this.selected = out ? (others.at(-1) ?? '') : path;
    this.tell('selected');
  }
  /** Whether a click chooses one more, as it does with Ctrl or Shift: for fingers. */
  choosesMore = false;
  /** @param {string} path @param {{ctrlKey: boolean, metaKey: boolean, shiftKey: boolean}} [event]  of a click on it */
  click(path, event) {
    if (path && (this.choosesMore || event?.ctrlKey || event?.metaKey || event?.shiftKey)) this.choose(path);
    else this.select(path);
  }
  /** @param {string[]} paths */
  #inOrder(paths) {
    return paths.sort((a, b) => (this.places.get(a) ?? 0) - (this.places.get(b) ?? 0));
  }
  #chooseAmongThere() {
    const there = this.chosen.filter((path) => this.places.has(path) && path !== this.selected);
    this.chosen = this.selected ? this.#inOrder([...there, this.selected]) : there;
  }
  /** What is chosen without what lies in something chosen, and goes with it. */
  get chosenTops() {
    return this.chosen.filter((path) => !this.chosen.some((one) => path.startsWith(`${one}/`)));
  }

  /** Holds an arrangement to compare with, or lets it go. @param {boolean} on */
  hold(on) {
    this.held = on ? this.placed() : null;
    this.heldAs = on ? asked(this.size.width, this.size.height) : '';
    this.tell('held');
  }

  /** What is compared with: what is held, else while something is tried the file as it is. */
  get old() {
    return this.held ?? this.#ofFile;
  }
  /** What of the old arrangement and the present one differs. @returns {Move[]} */
  moved() {
    const { old } = this;
    if (!old) return [];
    const now = this.placed();
    /** @type {Move[]} */
    const all = [];
    for (const [path, to] of now) {
      const from = old.get(path) ?? null;
      if (!from || from.x !== to.x || from.y !== to.y || from.width !== to.width || from.height !== to.height)
        all.push({ path, from, to });
    }
    for (const [path, from] of old) if (!now.has(path)) all.push({ path, from, to: null });
    return all;
  }

  // ------------------------------------------------------------ what is tried

  /** @param {{locale?: string, percent?: number, words?: string, modes?: string[]}} form */
  setForm(form) {
    return this.#attempt(() => {
      Object.assign(this, form);
      this.#engine.setForm(this.formIn(this.scene));
    });
  }
  // ------------------------------------------------------------ the hand

  /** Makes changes as one deed; all, or none. @param {Try[]} changes */
  #make(changes) {
    try {
      this.#deeds.make(this.#engine, changes);
    } catch (error) {
      // Undoing some of them left nothing arranged.
      if (error instanceof Refused && changes.length > 1) this.#engine.solve(this.size.width, this.size.height);
      throw error;
    }
  }
  #deeds = new Deeds();
  get canRedo() {
    return this.#deeds.canMakeAgain;
  }

  /** What of the selected node a hand can pull. */
  handles() {
    const place = this.places.get(this.selected);
    if (place === undefined || !(this.flags[place] & flag.placed)) return { handles: [], fixed: [] };
    return this.#engine.handles(place);
  }
  /**
   * Gives settings values while a hand pulls them: one deed, however often it is heard.
   * @param {...string} whats as `try` takes them
   */
  pull(...whats) {
    if (!this.#pulling) this.before = this.flags;
    try {
      if (this.#pulling) this.#deeds.takeBack(this.#engine, true);
      this.#pulling = false;
      this.#make(whats.map((what) => ({ does: 'set', what })));
      this.#pulling = true;
    } catch (error) {
      if (error instanceof Trapped) {
        this.#restart(error, this.file, this.text, this.scene.changes, ' without what was just pulled');
        return;
      }
      if (!(error instanceof Refused)) throw error;
      this.say(error.message);
    }
    this.#arrange(false);
  }
  /** The hand lets go: what it pulled is a change, or, put back, none. @param {boolean} [back] */
  letGo(back = false) {
    if (!this.#pulling) return;
    this.#pulling = false;
    if (back) this.#deeds.takeBack(this.#engine, true);
    this.#renew();
  }
  #pulling = false;

  /** The ties of the selected node, and the sides that one can be pulled from. */
  ties() {
    const place = this.places.get(this.selected);
    if (place === undefined || !(this.flags[place] & flag.placed)) return { lines: [], sides: [] };
    return this.#engine.ties(place);
  }
  /** What can tie a side of the selected node. @param {number} side */
  possibleTies(side) {
    const place = this.places.get(this.selected);
    return place === undefined ? [] : this.#engine.possibleTies(place, side);
  }
  /** What would tie a side of the selected node to the edge near a point. @param {number} side @param {number} x @param {number} y */
  tieAt(side, x, y) {
    const place = this.places.get(this.selected);
    return place === undefined ? null : this.#engine.tie(place, side, x, y);
  }
  /** A tie that a hand is about to make, as a line. @type {{x: number, y: number, to_x: number, to_y: number} | null} */
  tied = null;

  /** Where a node would land that is carried to a point of the container; draws it. @param {string} path @param {number} x @param {number} y */
  carryOver(path, x, y) {
    const place = this.places.get(path);
    this.landing = place === undefined ? null : this.#engine.landing(x, y, place);
    this.#held = path;
    this.carried = this.chosen.includes(path) ? this.chosenTops : [path];
    this.tell('carried');
  }
  /** The hand lets go of what it carried. @param {boolean} [back] */
  async drop(back = false) {
    const { landing, carried } = this;
    [this.landing, this.carried] = [null, []];
    this.tell('carried');
    if (back || !landing) return;
    await this.carry(carried, landing.container, landing.place, [this.#held]);
  }
  /** Moves nodes to a place in a container, and chooses them there. @param {string[]} paths @param {string} container @param {number} place @param {string[]} [without]  those that are not counted */
  async carry(paths, container, place, without = paths) {
    const ahead = this.childrenOf(container)
      .filter(({ path }) => !without.includes(path))
      .slice(0, place);
    const others = ahead.filter(({ path }) => !paths.includes(path));
    await this.apply('move', `${paths.join(',')}=${container}:${others.length}`);
    this.chooseAll(paths.map((path) => `${container}/${path.slice(path.lastIndexOf('/') + 1)}`));
  }
  /** Chooses those of some nodes that are there: one without a name is called by its place. @param {string[]} paths */
  chooseAll(paths) {
    const there = paths.filter((path) => this.places.has(path));
    if (there.length === 0) return;
    this.chosen = this.#inOrder(there);
    this.selected = /** @type {string} */ (there.at(-1));
    this.tell('selected');
  }
  /** @param {string} path */
  childrenOf(path) {
    const place = this.places.get(path);
    return this.scene.nodes.filter(({ parent }) => parent === place);
  }
  /** Whether a hand pulls something at this moment. */
  get pulls() {
    return this.#pulling;
  }
  /** The setting that a hand has taken, to be shown along its range. @type {import('./along.js').InHand | null} */
  inHand = null;

  /** The settings of the selected node with their sources, as far as they are known. @type {{key: string, value: unknown, source: string, name?: string}[]} */
  settings = [];
  /** Where the name of the selected node is written, in pixels of the picture. @type {import('./engine.js').Box[]} */
  names = [];
  /** @type {import('./engine.js').Landing | null} */
  landing = null;
  /** @type {string[]} */
  carried = [];
  #held = ''; // of those the one under the hand

  /** Writes the scene with all changes into its file; absent where nobody may. @type {(() => Promise<void>) | undefined} */
  write;
  /** The text that is in the file now, with so many of the changes in it. @param {string} text @param {number} changes */
  inFile(text, changes) {
    this.#fileText = text;
    this.#inFile = changes;
    this.tell('file');
  }
  #fileText = '';
  #inFile = 0;
  /** Whether a text is what is in the file. @param {string} text */
  isInFile(text) {
    return this.#fileText === text;
  }

  /** @param {string} does @param {string} what */
  apply(does, what) {
    return this.applyAll([{ does, what }]);
  }
  /** Several changes that are one deed: all, or none. @param {Try[]} changes */
  async applyAll(changes) {
    const { length } = this.scene.hints;
    await this.#attempt(() => this.#make(changes));
    const hint = this.scene.hints.length > length ? this.scene.hints.at(-1) : '';
    if (hint) this.say(hint);
  }
  undo() {
    return this.#attempt(() => this.#deeds.takeBack(this.#engine));
  }
  redo() {
    return this.#attempt(() => this.#deeds.makeAgain(this.#engine));
  }
  sceneText() {
    return this.#engine.sceneText();
  }
  /** Whether comments may be lost when the scene is saved, so that it is tidy. */
  savesTidy = false;
  /** The text that a save writes: tidy, unless comments would be lost in it that nobody gave away; nothing is made of a file without changes. */
  textToSave() {
    const text = this.sceneText();
    if (this.scene.changes.length === 0) return { text, losesComments: false };
    const tidy = this.#engine.tidyText();
    return tidy.losesComments && !this.savesTidy ? { text, losesComments: true } : tidy;
  }

  // ------------------------------------------------------------ what is asked

  /** The options of the program that say in which form the scene is. */
  #formOptions() {
    const options = this.modes.flatMap((mode) => ['--mode', mode]);
    if (this.locale) options.push('--locale', this.locale);
    if (this.percent) options.push('--text-expansion', `${this.percent}%`);
    if (this.words) options.push('--text-metrics', this.words);
    return options;
  }
  /** The same, and what was changed. */
  options() {
    return [...this.#formOptions(), ...this.scene.changes.flatMap(({ does, what }) => [`--${does}`, what])];
  }
  /** How a command about what is shown is written for a shell. @param {string} name */
  command(name) {
    const { file_word: file, changes } = this.scene;
    const words = [name, file, ...this.at(), ...this.#formOptions(), ...changes.map((one) => one.option)];
    return `fond-ladder ${words.join(' ')}`;
  }
  /** The size, as an option of the program. */
  at() {
    return ['--at', asked(this.size.width, this.size.height)];
  }

  /**
   * Asks a command about the scene as it is shown, off this thread. Null when it was asked anew for the same purpose.
   * @param {string} purpose
   * @param {string} command
   * @param {string[]} options
   */
  ask(purpose, command, options) {
    const asker = ['check', 'lint', 'map'].includes(command) ? this.#slow : this.#asker;
    const words = [command, this.file, ...options, ...this.options()];
    return asker.ask(purpose, { file: this.file, text: this.text, words });
  }
  /**
   * The same, read. Null where the program refused.
   * @param {string} purpose
   * @param {string} command
   * @param {string[]} options
   * @returns {Promise<any>}
   */
  async answers(purpose, command, options) {
    const answer = await this.ask(purpose, command, [...options, '--format', 'json']);
    if (!answer) return null;
    if (answer.status > 1) throw new Refused(answer.messages.replace(/^fond-ladder: error: /gm, '').trim());
    return JSON.parse(answer.out).answers[0];
  }
}
