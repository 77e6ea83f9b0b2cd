// A thread of its own knows no TypeScript: it learns it before it loads what it runs. As modules, not by require, which
// some packages cannot be loaded by.
import { register } from 'tsx/esm/api';

register();
const { default: run } = await import('./worker.ts');
export default run;
