// What does Back close first? A sheet or a marking that is open lies on the browser's history as a layer of its own: Back takes the layer off
// and the page stays. A layer's entry keeps the router's own mark, so that the router never notices it.
import { useLayoutEffect, useRef } from 'react';

interface Layer {
  close(): void;
}

const layers: Layer[] = [];
/** State of the entry that is shown; at a pop the browser tells only the one that is gone to. */
let here: unknown = null;
/** Pops that this file asked for itself. */
let ownPops = 0;
let watched = false;

/** How many layers lie on the page at this entry of the history. */
function depthOf(state: unknown): number {
  const layer = (state as { layer?: unknown } | null | undefined)?.layer;
  return typeof layer === 'number' ? layer : 0;
}

/**
 * Listens for Back before the router does. Called once, as the app loads. A page that was opened by its address gets the pages above it into
 * its history, so that Back leads from a tree to its list.
 */
export function watchBack(): void {
  if (typeof window === 'undefined' || watched) return;
  watched = true;
  if (window.history.state === null) seedParents();
  here = window.history.state;
  const { history } = window;
  const push = history.pushState.bind(history);
  const replace = history.replaceState.bind(history);
  history.pushState = (...entry) => {
    push(...entry);
    here = history.state;
  };
  history.replaceState = (state, title, url) => {
    const samePage = url == null || new URL(url, window.location.href).pathname === window.location.pathname;
    const layer = samePage ? depthOf(history.state) : 0;
    replace(layer > 0 ? { ...state, layer } : state, title, url);
    here = history.state;
  };
  window.addEventListener('popstate', onPop, { capture: true });
}

function onPop(event: PopStateEvent): void {
  const from = depthOf(here);
  here = event.state;
  const depth = depthOf(event.state);
  if (ownPops > 0) {
    ownPops--;
    event.stopImmediatePropagation();
    // A sheet that was opened meanwhile
    if (layers.length > depth) pushLayers();
    return;
  }
  // The router may have written to the entry that is gone to before this is told of it: what is open decides
  const wasOpen = layers.length > depth;
  if (from === 0 && !wasOpen) return;
  event.stopImmediatePropagation();
  for (const layer of layers.splice(depth).reverse()) layer.close();
  // Nothing lay there any more: Back means the page before
  if (!wasOpen) window.history.back();
}

/** The pages above an address: `/round/x/map` lies under `/round/x`, which lies under `/round`. */
export function parentsOf(path: string): string[] {
  const parts = path.split('/').filter(Boolean);
  return parts.slice(1).map((_, i) => `/${parts.slice(0, i + 1).join('/')}`);
}

function seedParents(): void {
  const { pathname, search, hash } = window.location;
  const parents = parentsOf(pathname);
  if (parents.length === 0) return;
  parents.forEach((path, i) => {
    if (i === 0) window.history.replaceState({}, '', path);
    else window.history.pushState({}, '', path);
  });
  window.history.pushState({}, '', `${pathname}${search}${hash}`);
}

function pushLayers(): void {
  for (let depth = depthOf(window.history.state) + 1; depth <= layers.length; depth++)
    window.history.pushState({ ...window.history.state, layer: depth }, '');
}

function dropLayer(layer: Layer): void {
  const at = layers.indexOf(layer);
  if (at < 0) return;
  layers.splice(at, 1);
  // After the handler that closed it has gone where it goes: a page that was opened meanwhile stays
  setTimeout(() => {
    const over = depthOf(window.history.state) - layers.length;
    if (over <= 0 || ownPops > 0) return;
    ownPops++;
    window.history.go(-over);
  });
}

/** While `open`, Back calls `onBack` instead of leaving the page. */
export function useBackLayer(open: boolean, onBack: () => void): void {
  const latest = useRef(onBack);
  latest.current = onBack;
  // With the sheet itself: a Back that comes right after finds the history as the screen shows it
  useLayoutEffect(() => {
    if (!open || typeof window === 'undefined') return;
    const layer: Layer = { close: () => latest.current() };
    layers.push(layer);
    pushLayers();
    return () => dropLayer(layer);
  }, [open]);
}

/** Most that a browser takes to go back over its layers, ms. */
const LAYERS_GONE_MS = 1000;

/** Goes somewhere once no layer lies on the history any more: a page that is opened before would be gone back over. */
export function afterLayers(go: () => void, since = Date.now()): void {
  const waits = layers.length > 0 || ownPops > 0 || depthOf(window.history.state) > 0;
  if (waits && Date.now() - since < LAYERS_GONE_MS) setTimeout(() => afterLayers(go, since), 20);
  else go();
}
