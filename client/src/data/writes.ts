// What is recorded: field records by way of the outbox, the rest straight to the server. All may be sent again without harm.
import {
  type ActionBody,
  type FindingBody,
  type JobBody,
  type RowBody,
  type Site,
  type SiteRecord,
  type TreeBody,
  treeBodyOf,
} from '@mortisect/core/records';
import type { Limb } from '@mortisect/core/tree';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { clear } from 'idb-keyval';
import { v7 } from 'uuid';
import { type Ask, ask } from './api';
import { emptyOutbox, enqueue } from './outbox';
import { COPIES, SESSIONS } from './queries';
import { keepIfItFits, keptStore } from './queryClient';
import { refreshOrchard } from './takeOver';

function useOutboxWrite<V>(write: (value: V) => Promise<void>) {
  return useMutation({ mutationFn: write, networkMode: 'always', retry: false });
}

interface FindingDraft {
  id: string;
  baseRevision: number | null;
  finding: FindingBody;
}

/** Safe on the device when it succeeds; it goes to the server on its own. */
export const useSaveFinding = () =>
  useOutboxWrite(({ id, baseRevision, finding }: FindingDraft) =>
    enqueue('putFinding', id, { params: { findingId: id }, body: { baseRevision, finding } }),
  );

export const useSaveLimbs = () =>
  useOutboxWrite(
    ({
      treeId,
      baseRevision,
      surveyedAt,
      limbs,
    }: {
      treeId: string;
      baseRevision: number;
      surveyedAt: string;
      limbs: Limb[];
    }) =>
      enqueue('putLimbs', `limbs:${treeId}`, {
        params: { treeId },
        body: { baseRevision, surveyedAt, limbs },
      }),
  );

export const useSaveTree = () =>
  useMutation({
    mutationFn: ({
      treeId,
      baseRevision,
      tree,
    }: {
      treeId: string;
      baseRevision: number | null;
      tree: TreeBody;
    }) => ask('putTree', { params: { treeId }, body: { baseRevision, tree } }),
    onSuccess: refreshOrchard,
  });

export const useSaveRow = () =>
  useMutation({
    mutationFn: ({ rowId, baseRevision, row }: { rowId: string; baseRevision: number; row: RowBody }) =>
      ask('putRow', { params: { rowId }, body: { baseRevision, row } }),
    // Of a row that has changed meanwhile the newest is shown
    onSettled: refreshOrchard,
  });

/** A deleted tree stands in every list again, as it was. */
export const useTakeTreeBack = () =>
  useMutation({
    mutationFn: async (treeId: string) => {
      const { tree } = await ask('getTree', { params: { treeId } });
      const { deleted: _deleted, ...body } = treeBodyOf(tree);
      return ask('putTree', { params: { treeId }, body: { baseRevision: tree.revision, tree: body } });
    },
    onSuccess: refreshOrchard,
  });

export const useSaveJob = () =>
  useOutboxWrite(({ id, baseRevision, job }: { id: string; baseRevision: number | null; job: JobBody }) =>
    enqueue('putJob', id, { params: { jobId: id }, body: { baseRevision, job } }),
  );

/** A photo goes ahead of the finding that shows it. @returns its id */
export async function addPhoto(file: Blob): Promise<string> {
  const photoId = newId();
  await enqueue('putPhoto', photoId, { params: { photoId }, file });
  return photoId;
}

/** Records what was done; safe on the device when it succeeds. */
export function useRecordAction() {
  const { mutateAsync, error, isPending } = useOutboxWrite(
    ({ id, action }: { id: string; action: ActionBody }) =>
      enqueue('putAction', id, { params: { actionId: id }, body: action }),
  );
  /**
   * @param onSuccess called when it is safe on the device, though what was recorded may have taken its own button off the screen by then
   * @returns the id the action goes by, for an undo
   */
  const record = (action: ActionBody, onSuccess?: () => void): string => {
    const id = newId();
    // A failure stands in `error`, where the screen says it
    mutateAsync({ id, action }).then(onSuccess, () => undefined);
    return id;
  };
  return { record, error, isPending };
}

export const useImportTrees = () =>
  useMutation({
    mutationFn: (given: Ask<'importTrees'>) => ask('importTrees', given),
    onSuccess: (report) => report.written > 0 && refreshOrchard(),
  });

interface NewRow {
  plot: string;
  row: string;
  spacingCm: number;
  given: Ask<'importTrees'>;
}

/** Trees of a row with how far apart they stand; a row that has stood there before keeps its spacing. */
export const useWriteRow = () =>
  useMutation({
    mutationFn: async ({ plot, row, spacingCm, given }: NewRow) => {
      const find = async () => {
        const { plots, rows } = await ask('getTrees', {});
        const plotId = plots.find(({ name }) => name.toLowerCase() === plot.toLowerCase())?.id;
        const ofPlot = rows.filter((other) => other.plotId === plotId);
        const at = ofPlot.findIndex(({ name }) => name.toLowerCase() === row.toLowerCase());
        return { at, found: ofPlot[at] };
      };
      const wasThere = (await find()).found !== undefined;
      const report = await ask('importTrees', given);
      const { at, found } = await find();
      if (report.written > 0 && found && !wasThere && found.spacingCm !== spacingCm) {
        const body = { baseRevision: found.revision, row: { name: found.name, spacingCm, at } };
        await ask('putRow', { params: { rowId: found.id }, body });
      }
      return report;
    },
    onSuccess: (report) => report.written > 0 && refreshOrchard(),
  });

/** Everything that was read before is of the orchard that stood here until then. */
export function useImportArchive() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (given: Ask<'importArchive'>) => ask('importArchive', given),
    onSuccess: () => client.invalidateQueries(),
  });
}

export function useMakeCopy() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => ask('makeCopy', {}),
    onSuccess: (copies) => client.setQueryData(COPIES, copies),
    // Why it failed is told there as well
    onError: () => client.invalidateQueries({ queryKey: COPIES }),
  });
}

export function useImportWeather() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (given: Ask<'importWeather'>) => ask('importWeather', given),
    onSuccess: (report) => report.written > 0 && client.invalidateQueries({ queryKey: ['timing'] }),
  });
}

export function usePutStation() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ stationId, name }: { stationId: string; name: string }) =>
      ask('putStation', { params: { stationId }, body: { name } }),
    onSuccess: () => client.invalidateQueries({ queryKey: ['stations'] }),
  });
}

export function useDeleteStation() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (stationId: string) => ask('deleteStation', { params: { stationId } }),
    onSuccess: (left) => client.setQueryData(['stations'], left),
  });
}

export function useMakeCalendar() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => ask('makeCalendar', { body: {} }),
    onSuccess: (made) => client.setQueryData(['calendar'], made),
  });
}

export function useEndCalendar() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => ask('endCalendar', {}),
    onSuccess: (ended) => client.setQueryData(['calendar'], ended),
  });
}

export function useSaveSite() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ baseRevision, site }: { baseRevision: number; site: Site }) =>
      ask('putSite', { body: { baseRevision, site } }),
    onSuccess: (saved: SiteRecord) => {
      client.setQueryData(['site'], saved);
      keepIfItFits(['site']);
      void client.invalidateQueries({ queryKey: ['timing'] });
      return client.invalidateQueries({ queryKey: ['log'] });
    },
  });
}

export const useNameDevice = () =>
  useMutation({
    mutationFn: ({ deviceId, name }: { deviceId: string; name: string }) =>
      ask('putDevice', { params: { deviceId }, body: { name } }),
  });

export function useSignIn() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (passphrase: string) => ask('signIn', { body: { passphrase } }),
    onSuccess: () => client.invalidateQueries(),
  });
}

/** Signing out leaves nothing of the orchard on the screen or in memory. */
export const useSignOut = () =>
  useMutation({
    mutationFn: async () => {
      await ask('signOut', {});
      await emptyOutbox();
      await clear(keptStore);
    },
    onSuccess: () => window.location.assign('/'),
  });

export function useEndSession() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (sessionId: string) => ask('endSession', { params: { sessionId } }),
    onSuccess: (sessions) => client.setQueryData(SESSIONS, sessions),
  });
}

/** Id of a record made here: a UUID of version 7. */
export const newId = (): string => v7();
