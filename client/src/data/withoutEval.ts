// For its effect, before the first schema is made: a page of this server may not compile text, so Zod need not try. What it would throw on the way costs
// a slow phone a tenth of a second, for which the browser reads the whole script again.
import { z } from 'zod';

z.config({ jitless: true });
