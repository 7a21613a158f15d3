/** A table for people and their spreadsheets: headings with their unit, and rows of texts and numbers. */
export interface Table {
  title: string;
  columns: { heading: string; isNumber: boolean }[];
  rows: (string | number | null)[][];
}
