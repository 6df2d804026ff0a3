// In place of the router's head of a page: the app writes its own title, and none of its screens says anything else there.
exports.Head = { Provider: ({ children }) => children };
