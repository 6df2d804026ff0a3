const http = require('node:http');
const path = require('node:path');
const { getDefaultConfig } = require('expo/metro-config');
const { digestOfIndexes } = require('./build/indexes');

const config = getDefaultConfig(__dirname);

// What the app never asks for, 180 KB gzip. Nothing of it is called when a file is read, and no screen of this app calls it later.
const UNUSED = [
  // Zod: 50 languages of messages, JSON Schema, compiled schemas
  'zod/v4/(locales/index|classic/from-json-schema|core/(json-schema-generator|to-json-schema|compile))\\.c?js',
  // Other kinds of ids than the seventh
  'uuid/dist/[^/]+/(v[1-6]|v35|v\\dToV\\d|md5|sha1|native)\\.js',
  // Scales of time and of colour, texts of ticks
  'd3-(time|time-format|color|format)/[^.]+\\.mjs',
  // Long lists are TanStack's; what moves is moved by the style sheet
  'react-native-web/dist/(vendor/react-native/Virtualized(Section)?List|exports/Animated)/index\\.js',
  // Controls that the app has of its own, or has not
  'react-native-web/dist/exports/(ActivityIndicator|Button|CheckBox|FlatList|ImageBackground|KeyboardAvoidingView|LayoutAnimation|PanResponder|Picker|ProgressBar|RefreshControl|SafeAreaView|SectionList|Share|StatusBar|Switch|Touchable(Highlight|NativeFeedback|Opacity|WithoutFeedback)|Vibration|YellowBox)/index\\.js',
  // Drawings come as elements, not as text
  'react-native-svg/lib/module/xml(Tags)?\\.js',
  // Stacks of cards with a header, tabs at the bottom, previews of links on one make of phones, notes for the developer
  'expo-router/build/(layouts/(Tabs|(experimental-stack|stack-utils)/index)|react-navigation/(native-stack/(views/[^/]+|navigators/createNativeStackNavigator)|native/createStaticNavigation|routers/DrawerRouter|core/StaticNavigation)|native-tabs/(NativeTabs|utils/icon)|link/(LinkWithPreview|preview/HrefPreview)|views/(ErrorBoundary|Sitemap|Toast))\\.js',
].map((file) => new RegExp(`/${file}$`));
const INSTEAD = [
  [/\/expo-router\/build\/screensFeatureFlags\.js$/, 'noScreens.js'],
  [/\/expo-router\/build\/head\/ExpoHead\.js$/, 'noHead.js'],
  [/\/expo-router\/build\/fork\/native-stack\/createNativeStackNavigator\.js$/, 'noStack.js'],
  [/\/expo-router\/build\/fork\/extractPathFromURL\.js$/, 'noDeepLinks.js'],
  [/\/react-native-safe-area-context\/lib\/module\/NativeSafeAreaProvider\.web\.js$/, 'noSafeArea.js'],
  [/\/expo-modules-core\/src\/uuid\/lib\/v35\.ts$/, 'noNamedIds.js'],
  [/\/react-native-web\/dist\/exports\/StyleSheet\/dom\/createOrderedCSSStyleSheet\.js$/, 'knownRules.js'],
];
const resolveBefore = config.resolver.resolveRequest;
// Messages are compiled when the app is built; what reads them stays out of it.
const PARSER = '@formatjs/icu-messageformat-parser';
config.resolver.resolveRequest = (context, name, platform) => {
  const wanted = name === PARSER ? `${PARSER}/no-parser.js` : name;
  const found = (resolveBefore ?? context.resolveRequest)(context, wanted, platform);
  if (platform !== 'web' || found.type !== 'sourceFile') return found;
  const instead = INSTEAD.find(([file]) => file.test(found.filePath));
  const filePath = instead && path.join(__dirname, 'build', instead[1]);
  // What stands around a module asks for that one itself
  if (filePath && context.originModulePath !== filePath) return { ...found, filePath };
  return UNUSED.some((file) => file.test(found.filePath)) ? { type: 'empty' } : found;
};

// In development Metro serves the app: hand /api to the Express server, so that one origin serves both.
const api = new URL(process.env.API_ORIGIN ?? 'http://127.0.0.1:3000');
const before = config.server?.enhanceMiddleware;
config.server = {
  ...config.server,
  enhanceMiddleware(metro, server) {
    const next = before ? before(metro, server) : metro;
    return (request, response, done) => {
      if (!request.url?.startsWith('/api/')) return next(request, response, done);
      const up = http.request(
        {
          host: api.hostname,
          port: api.port,
          method: request.method,
          path: request.url,
          headers: request.headers,
        },
        (answer) => {
          response.writeHead(answer.statusCode ?? 502, answer.headers);
          answer.pipe(response);
        },
      );
      up.on('error', () => {
        response.writeHead(502, { 'content-type': 'application/problem+json' });
        response.end('{"title":"The server does not answer","status":502}');
      });
      request.pipe(up);
    };
  },
};

// What is compiled by the indexes and by the app's own description is compiled anew when they change
config.cacheVersion = `${config.cacheVersion ?? ''}${digestOfIndexes()}${JSON.stringify(require('./app.json'))}`;

module.exports = config;
