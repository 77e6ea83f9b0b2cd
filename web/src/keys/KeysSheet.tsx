import { Modal } from '../ui/Modal.tsx';
import { KEY_LIST } from './key-list.ts';

/** All keys, on one sheet. */
export default function KeysSheet({ onClose }: { readonly onClose: () => void }) {
  return (
    <Modal open title="Keys" onClose={onClose}>
      <div className="gap-6 sm:columns-2">
        {KEY_LIST.map(({ where, keys }) => (
          <section key={where} aria-label={where} className="mb-5 break-inside-avoid">
            <h3 className="mb-1.5 font-head text-sm font-semibold">{where}</h3>
            <dl className="grid grid-cols-[7rem_1fr] items-baseline gap-x-3 gap-y-1.5 text-sm">
              {keys.map(({ keys: own, does }) => (
                <div key={does} className="contents">
                  <dt className="flex gap-1 whitespace-nowrap">
                    {own.map((key) => (
                      <kbd
                        key={key}
                        className="min-w-6 rounded-sm border border-line bg-table px-1.5 text-center font-tape text-xs leading-5"
                      >
                        {key}
                      </kbd>
                    ))}
                  </dt>
                  <dd>{does}</dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
    </Modal>
  );
}
