// For everyone: every screen of Cut and the Book, whatever the theme, the size or the text.
import { lookAtRoutes } from './forEveryone';
import { ROUTES } from './orchard';

lookAtRoutes(
  'Cut and the Book',
  ROUTES.filter((route) => /^\/(cut|book)/.test(route)),
);
