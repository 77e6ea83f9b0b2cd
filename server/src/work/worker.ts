import { done } from './work.ts';

/** What runs in a worker. */
export default done;
