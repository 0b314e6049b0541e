/** Widths of a line of music in tenths of a millimetre on paper: on a narrow screen, and on A4 with 15 mm at each side. */
export const NARROW_WIDTH = 900
export const PAPER_WIDTH = 1800

/** Width on which the print of a single measure is engraved, before it is drawn small. */
export const ASIDE_WIDTH = 900
