/** What lies beside the change is asked first, and what takes little time before what takes much: the first that notices ends the run. */
const { default: Sequencer } = require('@jest/test-sequencer');

module.exports = class extends Sequencer {
  sort(tests) {
    const isBeside = ({ path }) => path.includes(`/${process.env.MUTANTS_FOLDER}/`);
    return tests.toSorted((a, b) => isBeside(b) - isBeside(a) || (a.duration ?? 0) - (b.duration ?? 0));
  }
};
