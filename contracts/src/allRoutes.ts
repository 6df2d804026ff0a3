// Everything that the server answers: what the app asks, and what computes from plain JSON.
import { computeRoutes } from './computeRoutes';
import type { Route } from './route';
import { appRoutes } from './routes';

export const routes = { ...appRoutes, ...computeRoutes } as const satisfies Record<string, Route>;
