// In place of how the router reads links that open an app on a phone: a page of the web is given its path. To find that such a link is none it throws
// and catches, and for a thrown error the browser reads the whole script again.
exports.extractExpoPathFromURL = (_prefixes, path = '') => path.replace(/^\//, '');
exports.parsePathFromExpoGoLink = () => '';
exports.parsePathAndParamsFromExpoGoLink = () => ({ pathname: '', queryString: '' });
