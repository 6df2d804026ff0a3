// For everyone: every screen of Today, Round and Plan, whatever the theme, the size or the text.
import { lookAtRoutes } from './forEveryone';
import { ROUTES } from './orchard';

lookAtRoutes(
  'Today, Round and Plan',
  ROUTES.filter((route) => !/^\/(cut|book)/.test(route)),
);
