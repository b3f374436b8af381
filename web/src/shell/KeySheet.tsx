import { Dialog } from '../ui/Dialog.tsx';
import { useKeyList } from '../ui/keys.tsx';

/** The keys of the screen on show. */
export function KeySheet({ onClose }: { onClose: () => void }) {
  const list = useKeyList();
  return (
    <Dialog open onClose={onClose} title="Keys of this screen">
      <dl className="grid grid-cols-[6rem_1fr] gap-y-2">
        {list.map((key) => (
          <div key={key.press} className="contents">
            <dt className="figure font-bold">{key.press === ' ' ? 'space' : key.press}</dt>
            <dd>{key.says}</dd>
          </div>
        ))}
      </dl>
    </Dialog>
  );
}
