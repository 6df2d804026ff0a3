import type { Page } from '@playwright/test';

interface Size {
  width: number;
  height: number;
}

export const CHROMIUM: string;
export const CHROMIUM_PACKAGE: string;
export const launchOptions: { executablePath: string; args: string[] };
export const NOW: string;
export const PHONE: Size;
export const WIDE: Size;
export function nameDevice(page: Page, url: string, name?: string, at?: string): Promise<void>;
