/** How far the Line can be moved, in days: back as far as a club's records usually reach on a desk, ahead as far as anybody plans. */
export const DAYS_BACK = 3 * 366;
export const DAYS_AHEAD = 60;
/** The most rows of one answer: what a tall screen shows, with some above and below. */
export const MOST_ROWS = 60;
