/** What of a framework is handed over as a file worked out from it. */
export const EXPORT_KINDS = ['ifc', 'report', 'levels.csv', 'levels.xlsx'] as const;
export type ExportKind = (typeof EXPORT_KINDS)[number];
