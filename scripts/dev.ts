import { spawn } from 'node:child_process';

/** Server with restart on change, and the interface with live reload in front of it. */
const server = Number(process.env.FENNOT_PORT ?? 4680);
const run = (command: string, args: string[], env: Record<string, string>) =>
  spawn(command, args, { stdio: 'inherit', env: { ...process.env, ...env } });

const children = [
  run('node_modules/.bin/tsx', ['watch', 'server/src/main.ts'], { FENNOT_PORT: String(server + 1) }),
  run('npm', ['run', 'dev', '-w', 'web', '--', '--port', String(server), '--strictPort'], {
    FENNOT_API: `http://127.0.0.1:${server + 1}`,
  }),
];
const stop = () => {
  for (const child of children) child.kill('SIGTERM');
};
process.on('SIGINT', stop);
process.on('SIGTERM', stop);
for (const child of children) child.on('exit', stop);
