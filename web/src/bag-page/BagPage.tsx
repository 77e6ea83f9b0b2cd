import { PROBLEMS } from '@fennot/core';
import { Navigate, useParams } from 'react-router';
import { Message } from '../frame/Message.tsx';
import { MakePage } from '../make/MakePage.tsx';
import { BagId } from '../open-bag/bag-id.ts';
import { STATIONS } from '../stations/station.ts';
import { Button } from '../ui/Button.tsx';
import { exportRaw } from '../ui/files.ts';
import { OpenBag } from './OpenBag.tsx';
import { useSession } from './use-session.ts';

/** A bag by its address: opened once, then held by the open plan. */
export function BagPage() {
  const { id = '', station } = useParams();
  const { opening, retry } = useSession(id);
  const make = station === 'make';
  const at = STATIONS.find((one) => one === station);
  switch (opening.is) {
    case 'opening':
      return <Message title="Fetching the bag ..." />;
    case 'failed':
      return <Message title="The bag cannot be fetched just now" text={opening.why} onRetry={retry} />;
    case 'missing':
      return <Message title="There is no such bag" text={PROBLEMS.noSuchBag.detail} />;
    case 'unusable': {
      const { name, why, raw } = opening;
      return (
        <Message title={`“${name}” cannot be shown`} text={`${why} It is kept as it is.`}>
          <Button look="main" onClick={() => exportRaw(raw, name)}>
            Export it as a file
          </Button>
        </Message>
      );
    }
    case 'open':
      if (!at && !make) return <Navigate to={`/bags/${id}/build`} replace />;
      return (
        <BagId value={id}>
          {at ? (
            <OpenBag key={id} session={opening.session} station={at} />
          ) : (
            <MakePage key={id} session={opening.session} />
          )}
        </BagId>
      );
  }
}
