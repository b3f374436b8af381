import { useState } from 'react';
import { Button } from './Button.tsx';
import { sendOut } from './sendOut.ts';

/** A button that sends out everything that was found as CSV; while its pages are read, how much there is so far. */
export function SendAll({
  name,
  read,
  counted,
}: {
  /** Name of the file. */
  name: string;
  /** Reads all of it as CSV. @param told hears how many were read so far */
  read: (told: (count: number) => void) => Promise<string>;
  counted: (count: number) => string;
}) {
  const [count, setCount] = useState<number | null>(null);
  const [fault, setFault] = useState('');
  const sendAll = async () => {
    setFault('');
    setCount(0);
    try {
      sendOut(name, 'text/csv', await read(setCount));
    } catch (error) {
      setFault(`Not all could be read. ${(error as Error).message}`);
    }
    setCount(null);
  };
  return (
    <>
      {fault && <span className="text-sm font-semibold text-stop">{fault}</span>}
      <Button tone="quiet" size="small" disabled={count !== null} onClick={() => void sendAll()}>
        {count === null ? 'as CSV' : `${counted(count)} read…`}
      </Button>
    </>
  );
}
