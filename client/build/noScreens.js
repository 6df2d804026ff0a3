// In place of the router's switches for screens of phones' own making, which a page in a browser has not.
exports.initScreensFeatureFlags = () => undefined;
