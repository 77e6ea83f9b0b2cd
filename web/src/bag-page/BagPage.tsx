import { Navigate, useParams } from 'react-router';
import { ApiProblem } from '../api/client.ts';
import { useBag } from '../api/queries.ts';
import { Message } from '../frame/Message.tsx';
import { STATIONS } from '../stations/station.ts';
import { OpenBag } from './OpenBag.tsx';

/** A bag by its address: fetched once, then held by the open plan. */
export function BagPage() {
  const { id = '', station } = useParams();
  const { data, error, isPending, refetch } = useBag(id);
  const at = STATIONS.find((one) => one === station);
  if (isPending) return <Message title="Fetching the bag ..." />;
  if (!data) {
    const missing = error instanceof ApiProblem && error.status === 404;
    return (
      <Message
        title={missing ? 'There is no such bag' : 'The bag cannot be fetched just now'}
        text={error.message}
        {...(missing ? {} : { onRetry: () => void refetch() })}
      />
    );
  }
  if (!at) return <Navigate to={`/bags/${id}/build`} replace />;
  return <OpenBag key={data.id} bag={data} station={at} />;
}
