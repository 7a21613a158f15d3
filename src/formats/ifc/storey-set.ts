/**
 * Name of the property set in which our files say of a storey what IFC has no place for: `LevelKind`, a label, and
 * `BuildUp`, a length. Only under this name are they believed when a file is read.
 */
export const STOREY_SET = 'Spine_Storey';
