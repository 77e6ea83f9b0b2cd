import { DEFICIENT } from './eye.ts';

/** How blurred a squint is, px. */
const BLUR = 5;

const matrix = (rows: readonly number[]) =>
  `${[0, 3, 6].map((at) => `${rows.slice(at, at + 3).join(' ')} 0 0`).join(' ')} 0 0 0 1 0`;

/** The filters that eyes look through; `data-eye` in the style sheet lays them over the drawings. */
export function EyeFilters() {
  return (
    <svg width={0} height={0} className="absolute" aria-hidden="true">
      <filter id="eye-squint">
        <feColorMatrix type="saturate" values="0" />
        <feGaussianBlur stdDeviation={BLUR} />
      </filter>
      {(['protan', 'deutan', 'tritan'] as const).map((eye) => (
        <filter key={eye} id={`eye-${eye}`}>
          <feColorMatrix type="matrix" values={matrix(DEFICIENT[eye])} />
        </filter>
      ))}
    </svg>
  );
}
