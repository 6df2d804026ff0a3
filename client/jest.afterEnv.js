// What was not found is named without printing the whole page: that is written anew at every look while a test waits.
const { configure } = require('@testing-library/react');

configure({
  getElementError: (message) =>
    Object.assign(new Error(message ?? ''), { name: 'TestingLibraryElementError' }),
});
