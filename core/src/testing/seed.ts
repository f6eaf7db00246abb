import fc from 'fast-check';
import { times } from './times';

fc.configureGlobal({
  numRuns: times(100),
  // The same state of the code always gets the same answer from `npm test`; `npm run soak` looks further each time.
  ...(process.env.SOAK_TIMES === undefined && { seed: 20_260_311 }),
});
