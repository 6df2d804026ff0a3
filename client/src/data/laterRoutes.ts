// The whole table of routes, with the shapes of plans, days and settings: read behind the first page.
export { appRoutes } from '@mortisect/contracts';
