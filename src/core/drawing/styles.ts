/** A colour of the theme, by its name there. */
type Token =
  | 'film'
  | 'sheet'
  | 'faint'
  | 'ink'
  | 'ink2'
  | 'ink3'
  | 'now'
  | 'wrong'
  | 'columns'
  | 'shafts'
  | 'stairs'
  | 'walls'
  | 'roofs'
  | 'floorfill'
  | 'gridline';

/** How a style looks on the screen. Weights and dashes in pixels. */
interface ScreenLook {
  stroke: Token;
  weightPx: number;
  fill: Token | null;
  dash: string | null;
}

/** How a style looks on paper. Line weights and dashes in millimetres of paper, after drafting practice. */
export interface PaperLook {
  weightMm: number;
  stroke: string;
  fill: string | null;
  dashMm: readonly number[];
}

/** Layers of files with their colour numbers, by what stands on them. */
export const LAYERS = {
  GRID: 8,
  'GRID-HEADS': 7,
  'SETTING-OUT': 6,
  COLUMNS: 7,
  FLOORS: 3,
  SHAFTS: 5,
  STAIRS: 1,
  GUARDS: 9,
  ROOFS: 3,
  ROOMS: 3,
  CEILINGS: 3,
  BODIES: 7,
  WALLS: 7,
  OPENINGS: 30,
  DIMENSIONS: 2,
  LEVELS: 4,
} as const;
export type Layer = keyof typeof LAYERS;

/** What is known of a style wherever it is drawn, written or pressed. */
interface StyleDef {
  screen: ScreenLook;
  paper: PaperLook;
  layer: Layer;
  /** The order a press finds it in, small things before large ones; null: it is not pressed. */
  press: number | null;
}

/** The same of texts, which are as large on paper as they are drawn. */
interface TextDef {
  colour: Token;
  /** Set in the figures of tables. */
  figures: boolean;
  /** Stands on lines and keeps them off. */
  halo: boolean;
  layer: Layer;
  press: number | null;
}

const INK = '#1C252E';
const GREY = '#55606A';
const WHITE = '#FFFFFF';

const screen = (
  stroke: Token,
  weightPx: number,
  fill: Token | null = null,
  dash: string | null = null,
): ScreenLook => ({
  stroke,
  weightPx,
  fill,
  dash,
});

const paper = (
  weightMm: number,
  stroke = INK,
  fill: string | null = null,
  dashMm: readonly number[] = [],
): PaperLook => ({
  weightMm,
  stroke,
  fill,
  dashMm,
});

const styles = <Name extends string>(table: Record<Name, StyleDef>): Readonly<Record<Name, StyleDef>> => table;
const texts = <Name extends string>(table: Record<Name, TextDef>): Readonly<Record<Name, TextDef>> => table;

/** Every style of lines and areas. Line weights follow drafting practice: cut thick, seen thin, hidden and axes dashed. */
export const STYLES = styles({
  floor: { screen: screen('walls', 2.6, 'floorfill'), paper: paper(0.5, INK, WHITE), layer: 'FLOORS', press: 5 },
  columnCut: { screen: screen('columns', 1, 'columns'), paper: paper(0.35, INK, INK), layer: 'COLUMNS', press: 0 },
  columnSeen: { screen: screen('columns', 0.7, 'sheet'), paper: paper(0.18, INK, WHITE), layer: 'COLUMNS', press: 1 },
  slabCut: { screen: screen('ink', 1, 'ink'), paper: paper(0.5, INK, INK), layer: 'FLOORS', press: 2 },
  slabSeen: { screen: screen('walls', 0.8, 'floorfill'), paper: paper(0.18, GREY, WHITE), layer: 'FLOORS', press: 5 },
  levelLine: {
    screen: screen('ink3', 0.7, null, '10 3 2 3'),
    paper: paper(0.18, GREY, null, [6, 1.5, 1, 1.5]),
    layer: 'LEVELS',
    press: 4,
  },
  levelLineMinor: {
    screen: screen('ink3', 0.6, null, '3 3'),
    paper: paper(0.13, GREY, null, [2, 1.5]),
    layer: 'LEVELS',
    press: null,
  },
  levelMark: { screen: screen('ink', 0.8, 'ink'), paper: paper(0.18, INK, INK), layer: 'LEVELS', press: 0 },
  shaftOpen: { screen: screen('shafts', 1.6, 'film'), paper: paper(0.35, INK, WHITE), layer: 'SHAFTS', press: 2 },
  shaftClosed: {
    screen: screen('shafts', 1.2, null, '5 3'),
    paper: paper(0.25, INK, null, [2, 1.2]),
    layer: 'SHAFTS',
    press: 2,
  },
  shaftCross: { screen: screen('shafts', 0.8), paper: paper(0.18), layer: 'SHAFTS', press: 2 },
  wallCut: { screen: screen('ink', 1.9, 'sheet'), paper: paper(0.5, INK, WHITE), layer: 'WALLS', press: 2 },
  wallCore: { screen: screen('walls', 0.6, 'walls'), paper: paper(0.13, INK, '#B9B4AA'), layer: 'WALLS', press: 2 },
  wallSeen: { screen: screen('walls', 0.8, 'sheet'), paper: paper(0.18, GREY, WHITE), layer: 'WALLS', press: 4 },
  glassCut: { screen: screen('ink', 0.8, 'sheet'), paper: paper(0.18, INK, WHITE), layer: 'WALLS', press: 2 },
  glassSeen: { screen: screen('walls', 0.7), paper: paper(0.13, GREY), layer: 'WALLS', press: 4 },
  memberCut: { screen: screen('ink', 0.8, 'ink'), paper: paper(0.25, INK, INK), layer: 'WALLS', press: 2 },
  throughGlass: { screen: screen('ink3', 0.4, 'sheet'), paper: paper(0.09, GREY, WHITE), layer: 'WALLS', press: null },
  lineThroughGlass: { screen: screen('ink3', 0.4), paper: paper(0.09, GREY), layer: 'WALLS', press: null },
  opening: { screen: screen('ink', 0.9), paper: paper(0.18), layer: 'OPENINGS', press: 2 },
  openingSwing: { screen: screen('ink2', 0.8), paper: paper(0.13, GREY), layer: 'OPENINGS', press: 2 },
  openingAbove: {
    screen: screen('ink2', 0.8, null, '4 3'),
    paper: paper(0.13, GREY, null, [2, 1.2]),
    layer: 'OPENINGS',
    press: null,
  },
  roofCut: { screen: screen('roofs', 1, 'roofs'), paper: paper(0.5, INK, INK), layer: 'ROOFS', press: 2 },
  roofLayer: { screen: screen('sheet', 0.8), paper: paper(0.13, WHITE), layer: 'ROOFS', press: null },
  roofSeen: { screen: screen('roofs', 1, 'sheet'), paper: paper(0.25, INK, WHITE), layer: 'ROOFS', press: 4 },
  roofLine: { screen: screen('roofs', 1.6), paper: paper(0.35), layer: 'ROOFS', press: 3 },
  roofArrow: { screen: screen('roofs', 1.1), paper: paper(0.18), layer: 'ROOFS', press: 3 },
  roofAbove: {
    screen: screen('roofs', 1, null, '7 4'),
    paper: paper(0.18, GREY, null, [3, 1.5]),
    layer: 'ROOFS',
    press: 4,
  },
  stairCut: { screen: screen('stairs', 1, 'stairs'), paper: paper(0.5, INK, INK), layer: 'STAIRS', press: 2 },
  stairSeen: { screen: screen('stairs', 1.1, 'sheet'), paper: paper(0.25, INK, WHITE), layer: 'STAIRS', press: 2 },
  stairTread: { screen: screen('stairs', 0.8), paper: paper(0.18), layer: 'STAIRS', press: 2 },
  stairBreak: { screen: screen('stairs', 1.4), paper: paper(0.25), layer: 'STAIRS', press: null },
  stairArrow: { screen: screen('stairs', 1.2), paper: paper(0.25), layer: 'STAIRS', press: 2 },
  stairHeadroom: { screen: screen('ink2', 1), paper: paper(0.18), layer: 'STAIRS', press: null },
  stairAbove: {
    screen: screen('stairs', 0.8, null, '5 3'),
    paper: paper(0.18, GREY, null, [2, 1.2]),
    layer: 'STAIRS',
    press: null,
  },
  stairUnsolved: {
    screen: screen('wrong', 1.4, null, '7 4'),
    paper: paper(0.35, '#A52A24', null, [3, 1.5]),
    layer: 'STAIRS',
    press: 2,
  },
  gridLine: {
    screen: screen('gridline', 0.8, null, '14 3 2 3'),
    paper: paper(0.18, GREY, null, [8, 1.5, 1, 1.5]),
    layer: 'GRID',
    press: 3,
  },
  gridLineMinor: {
    screen: screen('gridline', 0.6, null, '7 3 2 3'),
    paper: paper(0.13, GREY, null, [4, 1.5, 1, 1.5]),
    layer: 'GRID',
    press: 3,
  },
  settingOut: {
    screen: screen('now', 0.8, null, '6 2 1 2'),
    paper: paper(0.18, INK, null, [3, 1, 0.6, 1]),
    layer: 'SETTING-OUT',
    press: 3,
  },
  columnHead: {
    screen: screen('columns', 0.8, null, '4 3'),
    paper: paper(0.18, GREY, null, [2, 1.2]),
    layer: 'COLUMNS',
    press: 4,
  },
  floorZone: { screen: screen('walls', 1.2, 'faint'), paper: paper(0.25, INK, WHITE), layer: 'FLOORS', press: 5 },
  ceilingOver: {
    screen: screen('roofs', 0.9, null, '2 3'),
    paper: paper(0.13, GREY, null, [1, 1]),
    layer: 'CEILINGS',
    press: 4,
  },
  roomBoundary: {
    screen: screen('ink3', 1, null, '1 4'),
    paper: paper(0.18, GREY, null, [0.5, 1.5]),
    layer: 'ROOMS',
    press: 3,
  },
  ceilingCut: {
    screen: screen('roofs', 0.8, 'roofs'),
    paper: paper(0.25, GREY, '#B9B4AA'),
    layer: 'CEILINGS',
    press: 2,
  },
  bodyOver: {
    screen: screen('columns', 0.9, null, '7 3'),
    paper: paper(0.18, GREY, null, [3, 1.2]),
    layer: 'BODIES',
    press: 3,
  },
  bodyCut: { screen: screen('columns', 0.8, 'columns'), paper: paper(0.35, INK, '#B9B4AA'), layer: 'BODIES', press: 2 },
  bodySeen: { screen: screen('columns', 0.8, 'sheet'), paper: paper(0.18, GREY, WHITE), layer: 'BODIES', press: 5 },
  guardRail: { screen: screen('walls', 1.4), paper: paper(0.25), layer: 'GUARDS', press: 1 },
  guardPost: { screen: screen('walls', 0.8, 'walls'), paper: paper(0.18, INK, INK), layer: 'GUARDS', press: 1 },
  guardSeen: { screen: screen('walls', 0.6, 'sheet'), paper: paper(0.13, INK, WHITE), layer: 'GUARDS', press: 3 },
  bubble: { screen: screen('ink', 1.1, 'sheet'), paper: paper(0.25, INK, WHITE), layer: 'GRID-HEADS', press: 1 },
  dimension: { screen: screen('ink3', 0.8), paper: paper(0.18), layer: 'DIMENSIONS', press: null },
  dimensionTick: { screen: screen('ink', 1.3), paper: paper(0.35), layer: 'DIMENSIONS', press: null },
});
export type Style = keyof typeof STYLES;

/** Every style of texts. */
export const TEXT_STYLES = texts({
  roomText: { colour: 'ink', figures: false, halo: true, layer: 'ROOMS', press: 1 },
  roomArea: { colour: 'ink2', figures: true, halo: true, layer: 'ROOMS', press: 1 },
  ceilingText: { colour: 'roofs', figures: true, halo: true, layer: 'CEILINGS', press: 1 },
  bodyText: { colour: 'columns', figures: true, halo: true, layer: 'BODIES', press: 1 },
  zoneText: { colour: 'ink2', figures: true, halo: true, layer: 'FLOORS', press: 1 },
  roofText: { colour: 'roofs', figures: true, halo: true, layer: 'ROOFS', press: 1 },
  stairText: { colour: 'stairs', figures: false, halo: true, layer: 'STAIRS', press: 1 },
  bubbleText: { colour: 'ink', figures: false, halo: false, layer: 'GRID-HEADS', press: 1 },
  settingOutText: { colour: 'now', figures: false, halo: true, layer: 'SETTING-OUT', press: 1 },
  dimensionText: { colour: 'ink2', figures: true, halo: true, layer: 'DIMENSIONS', press: null },
  shaftText: { colour: 'shafts', figures: false, halo: true, layer: 'SHAFTS', press: null },
  levelText: { colour: 'ink', figures: true, halo: true, layer: 'LEVELS', press: 0 },
  levelTextLeft: { colour: 'ink', figures: true, halo: true, layer: 'LEVELS', press: null },
});
export type TextStyle = keyof typeof TEXT_STYLES;

/** The layer a style is on in files, and the order a press finds it in. */
export const styleOf = (style: Style | TextStyle): { layer: Layer; press: number | null } =>
  style in STYLES ? STYLES[style as Style] : TEXT_STYLES[style as TextStyle];
