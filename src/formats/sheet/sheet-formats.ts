/** What a sheet can be written as. */
export const SHEET_FORMATS = ['pdf', 'svg', 'dxf'] as const;
export type SheetFormat = (typeof SHEET_FORMATS)[number];
