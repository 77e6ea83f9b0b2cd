import { API, type Scale, scaleSchema } from '@fennot/core';
import { useEffect, useState } from 'react';

/** The scales there are and what they show; nothing until the server has said so, or when it does not answer. */
export function useScales(): readonly Scale[] | undefined {
  const [scales, setScales] = useState<readonly Scale[] | undefined>(undefined);
  useEffect(() => {
    if (typeof EventSource === 'undefined') return;
    const stream = new EventSource(`${API}/scales`);
    const on = (name: string, take: (data: unknown) => void) =>
      stream.addEventListener(name, (event) => {
        if (event instanceof MessageEvent) take(JSON.parse(String(event.data)));
      });
    on('all', (data) => {
      const all = scaleSchema.array().safeParse(data);
      if (all.success) setScales(all.data);
    });
    on('scale', (data) => {
      const one = scaleSchema.safeParse(data);
      if (one.success)
        setScales((now = []) => now.map((other) => (other.id === one.data.id ? one.data : other)));
    });
    // The browser calls again by itself; until then nothing is shown that may be old.
    stream.onerror = () => setScales(undefined);
    return () => stream.close();
  }, []);
  return scales;
}
