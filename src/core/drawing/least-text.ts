/** What has to be written smaller than this to fit is left out of a drawing, for nobody could read it, mm on paper. */
export const LEAST_TEXT_MM = 1.5;
