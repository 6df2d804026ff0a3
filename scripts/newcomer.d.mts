import type { Page } from '@playwright/test';

export function newcomer(
  page: Page,
  url: string,
): Promise<{ taps: number; keys: number; words: number; machine: number; seconds: number }>;
