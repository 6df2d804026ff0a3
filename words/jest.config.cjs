module.exports = { displayName: 'words', ...require('../jest.node.preset.js') };
