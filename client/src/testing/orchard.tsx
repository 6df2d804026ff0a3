// A stage to put screens on, for tests, with the small orchard of the core.

import type { Action, TreeDetail } from '@mortisect/core/records';
import { site } from '@mortisect/core/testing';
import { TamaguiProvider } from '@tamagui/core';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { config } from '../ui/tamagui.config';

export { detail, did, finding, limb, limbs, site, today } from '@mortisect/core/testing';

/** A query client that has read the orchard already: nothing is fetched. */
export function readOrchard(details: TreeDetail[], actions: Action[] = []): QueryClient {
  const client = new QueryClient({
    defaultOptions: { queries: { staleTime: Number.POSITIVE_INFINITY, retry: false } },
  });
  const plots = [{ id: 'p', name: 'Plot', note: 'By the gate.' }];
  const rows = [{ id: 'r', plotId: 'p', name: 'Row', spacingCm: 400 }];
  client.setQueryData(['health'], {
    ok: true,
    demo: false,
    app: null,
    clockSet: true,
    aheadMs: Date.parse(NOW) - Date.now(),
  });
  client.setQueryData(['site'], { site, revision: 1, by: 'Wall crew', receivedAt: NOW });
  client.setQueryData(['trees'], { plots, rows, trees: details.map((detail) => detail.tree) });
  client.setQueryData(['round'], { actions });
  client.setQueryData(['people'], { people: ['Boat crew', 'Wall crew'] });
  client.setQueryData(['jobs'], { jobs: [] });
  for (const detail of details) client.setQueryData(['tree', detail.tree.id], detail);
  return client;
}

export const NOW = '2026-11-24T10:00:00.000Z';

export function Stage({ children, client }: { children: ReactNode; client?: QueryClient }) {
  return (
    <TamaguiProvider config={config} defaultTheme="light" disableInjectCSS>
      <QueryClientProvider client={client ?? new QueryClient()}>{children}</QueryClientProvider>
    </TamaguiProvider>
  );
}
