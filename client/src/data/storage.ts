// How much this device keeps, and whether its browser may throw it away.
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { COMPUTED_HERE } from './queryClient';

export interface Kept {
  /** Of this app on this device: bytes, and how many its browser allows; null where it does not tell. */
  usedBytes: number | null;
  mostBytes: number | null;
  /** The browser keeps it also when it runs short of room. */
  isPromised: boolean;
}

async function kept(): Promise<Kept> {
  const { storage } = navigator;
  const estimate = await storage?.estimate?.();
  return {
    usedBytes: estimate?.usage ?? null,
    mostBytes: estimate?.quota ?? null,
    isPromised: (await storage?.persisted?.()) ?? false,
  };
}

const KEY = ['kept on this device'];

export const useKept = () => useQuery({ queryKey: KEY, queryFn: kept, ...COMPUTED_HERE });

/** Some browsers ask whoever sits before them, some decide by themselves. @returns whether it is promised */
export async function askToKeep(): Promise<boolean> {
  return (await navigator.storage?.persist?.()) ?? false;
}

export function useAskToKeep(): () => Promise<void> {
  const client = useQueryClient();
  return async () => {
    await askToKeep();
    await client.invalidateQueries({ queryKey: KEY });
  };
}
