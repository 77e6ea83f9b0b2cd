import { toast } from 'sonner';

/** What a change answers: a sentence why it was not made, or nothing. */
// biome-ignore lint/suspicious/noConfusingVoidType: setters of React's own state answer nothing, too
export type Outcome = string | undefined | void;

/** Shows why a change was not made, where there is no field to say it below. */
export function tell(answer: Outcome): void {
  if (typeof answer === 'string') toast.error(answer);
}
