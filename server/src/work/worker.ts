import { done, type Handed } from './work.ts';

/** What runs in a worker. */
export default ({ task, begun }: Handed) => {
  begun.postMessage('begun');
  begun.close();
  return done(task);
};
