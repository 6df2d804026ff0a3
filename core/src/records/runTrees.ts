/** Of an orchard of thousands of trees, all that ask for work on one day. */
export const MOST_RUN_TREES = 2000;
