// New infections by when blades are cleaned, computed in a worker.

import type { Transmission, TransmissionInput } from '@mortisect/core/blades';
import { useQuery } from '@tanstack/react-query';
import { type Remote, wrap } from 'comlink';
import type { TransmissionWork } from '../workers/transmission.worker';
import { COMPUTED_HERE } from './queryClient';

let remote: Remote<TransmissionWork> | null = null;

function worker(): Remote<TransmissionWork> {
  remote ??= wrap<TransmissionWork>(new Worker(new URL('../workers/transmission.worker', import.meta.url)));
  return remote;
}

export function useTransmission(input: TransmissionInput) {
  return useQuery<Transmission>({
    queryKey: ['transmission', input],
    queryFn: () => worker().transmission(input),
    staleTime: Number.POSITIVE_INFINITY,
    ...COMPUTED_HERE,
    placeholderData: (before) => before,
  });
}
