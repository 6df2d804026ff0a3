module.exports = { displayName: 'contracts', ...require('../jest.node.preset.js') };
