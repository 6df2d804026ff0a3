// What was not found is named without printing the whole page: that is written anew at every look while a test waits.
const { configure } = require('@testing-library/react');

configure({
  getElementError: (message) =>
    Object.assign(new Error(message ?? ''), { name: 'TestingLibraryElementError' }),
});
// A page speaks at once, as in England: in the app it waits for the catalogues of its place.
const { useWords } = require('./src/data/useSay');
const { english } = require('@mortisect/words/all');

useWords.setState({ say: english });
