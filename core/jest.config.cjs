module.exports = { displayName: 'core', ...require('../jest.node.preset.js') };
