import { type BagDocument, type Enough, money, USUAL_CURRENCY, yarnOf } from '@fennot/core';
import { BallPicture } from '../../../drawing/BallPicture.tsx';

/** So many balls are drawn; more are a number. */
const DRAWN = 3;

/** What is to be bought for a bag so that all of its yarn suffices in 95 cases of 100. */
export function ShoppingList({
  document,
  all,
}: {
  readonly document: BagDocument;
  readonly all: readonly Enough[];
}) {
  const wanted = all.filter(({ buy = 0 }) => buy > 0);
  if (wanted.length === 0) return null;
  const currency = document.money?.currency ?? USUAL_CURRENCY;
  return (
    <div>
      <h4 className="text-xs font-medium text-soft">To buy, so that it suffices in 95 cases of 100</h4>
      <ul aria-label="Shopping list" className="mt-1 flex flex-col gap-0.5 text-sm">
        {wanted.map(({ yarn, buy = 0, basket }) => {
          const { name, colourName, colour, ball } = yarnOf(document, yarn);
          const dyeLots = [...new Set(basket.lots.map(({ dyeLot }) => dyeLot).filter(Boolean))];
          return (
            <li key={yarn} className="flex items-center gap-2">
              <span className="flex w-14 shrink-0">
                {Array.from({ length: Math.min(DRAWN, buy) }, (_, i) => i).map((i) => (
                  <BallPicture key={i} colour={colour} left={1} size={17} />
                ))}
              </span>
              <span className="min-w-0 grow">
                <b>
                  {buy} {buy === 1 ? 'ball' : 'balls'}
                </b>{' '}
                {name}, {colourName}
                {dyeLots.length > 0 && (
                  <span className="text-soft">, if there is still lot {dyeLots.join(' or ')}</span>
                )}
              </span>
              {ball?.price !== undefined && (
                <span className="text-soft tabular-nums">{money(buy * ball.price, currency)}</span>
              )}
            </li>
          );
        })}
      </ul>
    </div>
  );
}
