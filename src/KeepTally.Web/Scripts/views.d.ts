// What the core hands to the scripts. Made from the records of C# by ViewContractTests; not written by hand.

export interface AgainView {
  ends: boolean;
  moves: boolean;
}

export interface AmendView {
  text: string;
  late: boolean;
  units: PickView[];
  outcomes: PickView[];
  zones: PickView[];
  tags: TagPickView[];
}

export interface BenchView {
  id: string;
  name: string;
  call: string;
  note: string;
}

export interface BibView {
  id: string;
  letters: string;
  name: string;
  pattern: number;
  x: number;
  y: number;
  size: number;
  toX: number;
  toY: number;
  toSize: number;
  arrow: string;
}

export interface BoardBox {
  x: number;
  y: number;
  w: number;
  h: number;
  name: string;
  line: boolean;
  active: boolean;
}

export interface BoardScore {
  name: string;
  figure: string;
  leads: boolean;
  turn: boolean;
}

export interface BoardView {
  sheet: string;
  name: string;
  width: number;
  height: number;
  places: BoardBox[];
  bibs: BibView[];
  scores: BoardScore[];
  moving: boolean;
  picture: string;
}

export interface ClockMovesView {
  add: boolean;
  take: boolean;
  skip: string;
  repeat: string;
  another: boolean;
}

export interface ClockView {
  state: string;
  word: string;
  left: string;
  share: number;
  round: string;
  next: string;
  notches: number[];
  urgent: boolean;
  rep: string;
  whistle: boolean;
  more: boolean;
}

export interface ContestView {
  sheet: string;
  player: string;
  name: string;
}

export interface DuplicateTapView {
  sheet: string;
  device: string;
  n: number;
  text: string;
}

export interface EventLine {
  sheet: string;
  device: string;
  n: number;
  line: string;
}

export interface GroupView {
  sheet: string;
  name: string;
  players: OnView[];
}

export interface HabitView {
  habit: string;
  count: number;
  players: SeenView[];
}

export interface HelperView {
  unit: string | null;
  name: string;
}

export interface LinkView {
  fault: string;
  title: string;
  kind: string;
  lines: string[];
  isPlan: boolean;
}

export interface OnView {
  id: string;
  name: string;
  call: string;
  goes: string;
}

export interface OwnCountView {
  sheet: string;
  unit: string;
  name: string;
  count: number | null;
}

export interface OwnCountsView {
  round: string;
  units: OwnCountView[];
}

export interface PersonView {
  name: string;
  here: string;
  next: string;
  moving: boolean;
}

export interface PickView {
  id: string;
  name: string;
  on: boolean;
}

export interface PracticeView {
  block: number;
  over: boolean;
  canGoBack: boolean;
  run: RunView | null;
  result: string;
}

export interface RoundView {
  letter: string;
  pattern: number;
  players: string;
  here: string;
  next: string;
  moving: boolean;
}

export interface RowView {
  unit: string | null;
  name: string;
  score: string;
  strokes: number;
  detail: string;
  gate: string;
  streak: string;
  done: boolean;
  last: boolean;
  leads: boolean;
  asked: string;
  barred: string;
  said: string;
  waits: boolean;
  ball: boolean;
  withheld: string;
  members: string;
}

export interface RunView {
  primary: string;
  primaryLabel: string;
  prompt: string;
  late: string;
  clock: ClockView;
  sheets: (SheetView | null)[];
  round: RoundView[];
  taps: TapView[];
  last: TapView | null;
  canMove: boolean;
  canStop: boolean;
  moves: ClockMovesView;
  contest: ContestView[];
  ownCounts: boolean;
  noteNow: string;
  load: string;
  habits: number[];
  duplicate: DuplicateTapView | null;
  lastBall: string;
  notReached: string;
}

export interface SeenView {
  id: string;
  name: string;
  count: number;
}

export interface SheetView {
  id: string;
  done: boolean;
  result: string;
  aim: string;
  versus: string;
  games: string;
  again: AgainView | null;
  clock: string;
  group: string;
  rows: RowView[];
  helpers: HelperView[];
  people: PersonView[];
}

export interface ShownView {
  at: number;
  who: string;
  what: string;
  zone: string;
  form: string;
}

export interface SignalView {
  kind: string;
  in: number;
  said: string;
}

export interface TagPickView {
  tag: string;
  name: string;
  picks: PickView[];
}

export interface TapView {
  sheet: string;
  device: string;
  n: number;
  text: string;
  undone: boolean;
  move: boolean;
  note: string;
  canChange: boolean;
  ask: string;
}

export interface TrainedView {
  shown: number;
  right: number;
  late: number;
  missed: number;
  doubled: number;
  wrongPlayer: number;
  wrongWhat: number;
  extra: number;
  seconds: number | null;
}

export interface WhatIfChart {
  finding: string;
  svg: string;
  key: string;
}

export interface WhatIfView {
  words: string[];
  charts: WhatIfChart[];
}

export interface WhoView {
  groups: GroupView[];
  bench: BenchView[];
}
