import { z } from 'zod';
import { wrapped } from '../geometry/curve';
import type { Framework } from '../model/framework';
import type { Id } from '../model/ids';
import type { Solved } from '../solving/solved';

/** Rows of the report, by key: each kind that has some adds its own. */
// eslint-disable-next-line @typescript-eslint/no-empty-object-type
export interface RowsOfKinds {}

/** What rows are written with. */
export interface RowsAt {
  framework: Framework;
  /** A level's name. */
  level: (id: Id) => string;
}

/** Rows of the report, under a key of their own. */
export interface ReportRows<Row extends z.ZodObject = z.ZodObject> {
  key: string;
  row: Row;
  rows: (solved: Solved, at: RowsAt) => z.infer<Row>[];
}

export const defineRows = <Row extends z.ZodObject>(rows: ReportRows<Row>): ReportRows<Row> => rows;

/** What every row begins with. */
export const row = { id: z.string(), building: z.string().describe('Id of the building it belongs to') };
export const mm = z.number();

/** Rounded to so many places. */
export const rounded = (value: number, places: number): number => {
  const scale = [1, 10, 100, 1e3, 1e4, 1e5, 1e6][places]!;
  return Math.round(value * scale) / scale;
};

/** A turn without the whole ones in it: from 0 to less than 360°. */
export const withinOneTurn = (degrees: number): number => wrapped(rounded(degrees, 6));
