import { toast } from 'sonner';
import { NotConfirmed } from './confirming.tsx';

/** Tells why something was not done; nothing where its maker thought better of it. */
export function toldWhy(error: unknown): void {
  if (error instanceof NotConfirmed) return;
  toast.error(error instanceof Error ? error.message : 'It was not done.');
}
