// Drawings that are painted as one bitmap.
import { useSyncExternalStore } from 'react';

/** A canvas as sharp as the screen, wiped; null where there is none yet. */
export function sized(
  canvas: HTMLCanvasElement | null,
  width: number,
  height: number,
): CanvasRenderingContext2D | null {
  const context = canvas?.getContext('2d');
  if (!canvas || !context) return null;
  const sharp = window.devicePixelRatio || 1;
  const [wide, high] = [Math.round(width * sharp), Math.round(height * sharp)];
  // To give it a size again would cost more than all that is painted
  if (canvas.width !== wide || canvas.height !== high) Object.assign(canvas, { width: wide, height: high });
  context.setTransform(sharp, 0, 0, sharp, 0, 0);
  context.clearRect(0, 0, width, height);
  return context;
}

/** Whether the letters have come: words that were painted before stand in others, and are to be painted again. */
export function useLetters(): string {
  return useSyncExternalStore(onLetters, () => document.fonts?.status ?? 'loaded');
}

function onLetters(changed: () => void): () => void {
  document.fonts?.addEventListener('loadingdone', changed);
  return () => document.fonts?.removeEventListener('loadingdone', changed);
}
