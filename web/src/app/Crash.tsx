import { useRouteError } from 'react-router';
import { Message } from '../frame/Message.tsx';

/** A fault in the program itself: said plainly. What was changed is kept in the browser. */
export function Crash() {
  const error = useRouteError();
  const text = error instanceof Error ? error.message : 'An unknown fault.';
  return (
    <Message
      title="Fennot has a fault here"
      text={`${text} Your changes are kept. Reloading may help.`}
      onRetry={() => window.location.reload()}
    />
  );
}
