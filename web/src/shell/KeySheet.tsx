import { Dialog } from '../ui/Dialog.tsx';
import { useKeyList } from '../ui/keys.tsx';

/** The keys of the screen on show. */
export function KeySheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const list = useKeyList();
  return (
    <Dialog open={open} onClose={onClose} title="Keys of this screen">
      <dl className="grid grid-cols-[6rem_1fr] gap-y-2">
        {open &&
          list().map((key) => (
            <div key={key.press} className="contents">
              <dt className="figure font-bold">{key.press === ' ' ? 'space' : key.press}</dt>
              <dd>{key.says}</dd>
            </div>
          ))}
      </dl>
    </Dialog>
  );
}
