/** A first page made by the salon's computer: what it is made of and what it holds. */

/** Cookie in which a device says its ways, as JSON. */
export const WAYS_COOKIE = 'woolly-ways';

/** Id of the element that holds a page's facts. */
export const FACTS_ID = 'facts';

/** Attribute of a page's root that says that its look stands in it. */
export const MADE_MARK = 'data-wt-made';

/** Attribute in which a place that is reckoned waits to be set (web/placed.ts). */
export const STYLE_MARK = 'data-placed';

/** What a device says of itself; of what it keeps only what changes a first look. */
export interface DeviceWays {
  readonly kept: Readonly<Record<string, string>>;
  readonly dark: boolean;
  readonly contrast: boolean;
  readonly languages: readonly string[];
}

export interface PageAsked {
  /** Path and query of the address, from its first slash. */
  readonly path: string;
  readonly ways: DeviceWays;
  /** The API's answer to a GET of one of its paths; rejects where that is refused. */
  readonly answer: (path: string) => Promise<Answered>;
}
export interface Answered {
  readonly value: object;
  /** Its entity tag: another tag, another answer. */
  readonly tag: string;
  /** How long it is, in bytes. */
  readonly bytes: number;
}

export interface PageMade {
  /** What stands in the page before any script has run. */
  readonly html: string;
  /** What the page is told of itself, as JSON. */
  readonly facts: string;
  /** Paths of the API whose answers the look is made of, too large to stand in the page. */
  readonly asks: readonly string[];
  /** Attributes of the page's root: day or night, size of letters, contrast. */
  readonly root: Readonly<Record<string, string>>;
}

/** What a build that makes pages holds. */
export interface PageMaker {
  /** Undefined for an address, or a device, whose page makes itself. */
  readonly makePage: (asked: PageAsked) => Promise<PageMade | undefined>;
}
