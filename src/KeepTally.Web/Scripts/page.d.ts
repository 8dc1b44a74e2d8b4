// What the scripts meet in a page, beside what every browser has. An element found by a selector is taken for what the page made it:
// its markup stands in the Razor pages, not here.
export {};

declare global {
  interface Element {
    dataset: DOMStringMap;
    hidden: any;
    style: CSSStyleDeclaration;
    disabled: boolean;
    open: boolean;
    checked: boolean;
    value: string;
    name: string;
    type: string;
    action: string;
    content: string;
    labels: NodeListOf<HTMLLabelElement>;
    elements: HTMLFormControlsCollection;
    options: HTMLOptionsCollection;
    returnValue: string;
    formAction: string;
    /** A grip of the timing sheet that was moved while it was pressed. */
    dragged: boolean;
    blur(): void;
    focus(options?: FocusOptions): void;
    click(): void;
    showModal(): void;
    close(returnValue?: string): void;
    requestSubmit(submitter?: HTMLElement): void;
    setCustomValidity(error: string): void;
    reportValidity(): boolean;
  }

  /** Events are listened for where they come from elements. */
  interface EventTarget {
    closest: Element["closest"];
    matches: Element["matches"];
    dataset: DOMStringMap;
    id: string;
    name: string;
    value: any;
    type: any;
    checked: boolean;
    action: string;
    elements: HTMLFormControlsCollection;
    setAttribute(name: string, value: string): void;
    requestSubmit(submitter?: HTMLElement): void;
  }

  /** Fields are reached by their names. */
  interface HTMLFormControlsCollection {
    [name: string]: any;
  }

  interface Node {
    contains(other: EventTarget): boolean;
  }

  interface Event {
    /** What htmx and the elements of the application tell with their events. */
    detail: any;
    key: string;
    submitter: HTMLButtonElement;
  }

  interface Window {
    htmx: any;
    /** Presses from before the core was there (early.js). */
    early: { presses: any[]; take(): any[]; forget(): void };
  }
}
