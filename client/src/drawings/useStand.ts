// Where one stands before a tree: moved by a drag many times a second, told to a page only where its words change.
import type { Camera } from '@mortisect/core/sight';
import { useState, useSyncExternalStore } from 'react';

export interface Stand {
  /** Where one stands now. */
  camera(): Camera;
  move(to: (from: Camera) => Camera): void;
  /** @returns how to stop listening */
  subscribe(moved: () => void): () => void;
}

/** @param begins called once */
export function useStand(begins: () => Camera): Stand {
  return useState(() => {
    let camera = begins();
    const listening = new Set<() => void>();
    return {
      camera: () => camera,
      move: (to: (from: Camera) => Camera) => {
        camera = to(camera);
        for (const moved of listening) moved();
      },
      subscribe: (moved: () => void) => {
        listening.add(moved);
        return () => listening.delete(moved);
      },
    };
  })[0];
}

/** What is to be said of where one stands; whoever asks is drawn again only where it is another. */
export function useOfStand<T extends string | number | boolean>(
  { camera, subscribe }: Stand,
  say: (camera: Camera) => T,
): T {
  return useSyncExternalStore(subscribe, () => say(camera()));
}
