import { Modal } from '../../ui/Modal.tsx';

interface RefusedFileProps {
  readonly file: string;
  readonly lines: readonly string[];
  readonly onClose: () => void;
}

/** Why a file is not a bag, line by line. */
export default function RefusedFile({ file, lines, onClose }: RefusedFileProps) {
  return (
    <Modal
      open
      title={`${file} cannot be opened`}
      about="Nothing was changed. What is wrong with it:"
      onClose={onClose}
    >
      <ul className="list-disc space-y-1 pl-5 text-sm">
        {lines.slice(0, 12).map((line) => (
          <li key={line}>{line}</li>
        ))}
      </ul>
    </Modal>
  );
}
