// One route: what is asked, and what is answered.
import type { z } from 'zod';

export interface Route {
  method: 'get' | 'put' | 'post' | 'delete';
  /** Express form: `/api/trees/:treeId`. */
  path: string;
  tag: 'Orchard' | 'Field records' | 'Weather' | 'Files' | 'Compute' | 'Access';
  summary: string;
  params?: z.ZodObject;
  query?: z.ZodObject;
  body?: z.ZodType;
  response: z.ZodType;
  /** Writes name the device they come from; its person is kept with the record. */
  fromDevice?: true;
  /** Answered without a signed-in session. */
  open?: true;
  /** Asked by a weather station, with its token; told before anything else is read. */
  fromStation?: true;
  /** A file that is shown or subscribed to rather than saved. */
  inline?: true;
  /** A body larger than the common limit. */
  bodyLimit?: string;
  /** A body that is no JSON: taken as bytes, of these content types; one that is streamed is read from the request itself. */
  rawBody?: { types: readonly string[]; limit: string } | { types: readonly string[]; streamed: true };
  /** An answer that is a file of this content type. */
  rawAnswer?: string;
  example?: unknown;
}

export const route = <R extends Route>(given: R): R => given;
