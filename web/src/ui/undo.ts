import { toast } from 'sonner';

/** Says that something was taken out, and offers to put it back. */
export const offerUndo = (says: string, undo: () => void): void =>
  void toast(says, { duration: 10_000, action: { label: 'Undo', onClick: undo } });
