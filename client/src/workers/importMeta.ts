// babel-preset-expo turns `import.meta` into this global, which Expo sets up in the page but not in workers.
const scope = globalThis as { __ExpoImportMetaRegistry?: { url: string } };
scope.__ExpoImportMetaRegistry ??= { url: globalThis.location.href };

export {};
