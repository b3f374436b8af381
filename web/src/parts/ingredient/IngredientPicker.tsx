import { type Ingredient, offeredFor, warningFor } from '@inch/core/ingredient';
import { Command } from 'cmdk';
import { Popover } from 'radix-ui';
import { useState } from 'react';
import { useCatalogue } from '../../data/catalogue.ts';
import { useMayWrite } from '../../data/session.tsx';
import { Button } from '../../ui/Button.tsx';
import { Dialog } from '../../ui/Dialog.tsx';
import { OwnIngredientForm } from './OwnIngredientForm.tsx';

/** Entries shown at once. */
const MOST = 40;

function Entry({ entry, choose }: { entry: Ingredient; choose: (id: string) => void }) {
  return (
    <Command.Item
      value={entry.id}
      onSelect={() => choose(entry.id)}
      className="flex cursor-pointer justify-between gap-2 rounded-md px-2 py-1.5 text-ink data-[selected=true]:bg-rim-pale"
    >
      <span>{entry.name}</span>
      <span className="text-xs font-semibold whitespace-nowrap">
        {entry.own && (
          <span className="text-go">{entry.own.from === 'measured' ? 'measured' : 'your own'}</span>
        )}{' '}
        {entry.lowAcid && <span className="text-hold">low-acid</span>}
      </span>
    </Command.Item>
  );
}

function NotThere({ text, add }: { text: string; add: () => void }) {
  const mayWrite = useMayWrite();
  const warning = warningFor(text);
  if (warning?.refuse)
    return (
      <p role="alert" className="p-3 text-sm font-semibold text-stop">
        {warning.why}
      </p>
    );
  return (
    <div className="p-3 text-sm text-ink-2">
      <p>Not in the catalogue. What is not in it counts as low-acid.</p>
      {mayWrite && (
        <Button size="small" tone="plain" className="mt-2" onClick={add}>
          Add it as your own…
        </Button>
      )}
    </div>
  );
}

/** The catalogue as a list that is searched by typing a part of a name. */
function Search({
  label,
  choose,
  add,
}: {
  label: string;
  choose: (id: string) => void;
  add: (text: string) => void;
}) {
  const [text, setText] = useState('');
  const catalogue = useCatalogue();
  const offered = offeredFor(text, catalogue, MOST);
  const more = catalogue.all.length > MOST && offered.length === MOST;
  return (
    <Command label={label} loop shouldFilter={false}>
      <Command.Input
        autoFocus
        value={text}
        onValueChange={setText}
        placeholder="Type a part of its name"
        className="mb-2 w-full rounded-md border border-steel bg-enamel px-3 py-2"
      />
      <Command.List className="max-h-72 overflow-y-auto">
        <Command.Empty>
          <NotThere text={text} add={() => add(text)} />
        </Command.Empty>
        {offered.map((entry) => (
          <Entry key={entry.id} entry={entry} choose={choose} />
        ))}
        {more && <p className="px-2 py-1.5 text-sm text-ink-2">There are more: type a part of the name.</p>}
      </Command.List>
    </Command>
  );
}

interface Props {
  value: string;
  onChoose: (id: string) => void;
  label: string;
}

/** Chooses an ingredient of the catalogue by typing a part of its name; what is not there may be added as one's own. */
export function IngredientPicker({ value, onChoose, label }: Props) {
  const [open, setOpen] = useState(false);
  const [adding, setAdding] = useState<string | null>(null);
  const chosen = useCatalogue().find(value)?.name ?? null;
  const choose = (id: string) => {
    onChoose(id);
    setOpen(false);
  };
  return (
    <>
      <Popover.Root open={open} onOpenChange={setOpen}>
        <Popover.Trigger
          aria-label={`${label}: ${chosen ?? 'choose'}`}
          className={`w-full truncate rounded-md border border-transparent px-2 py-1 text-left hover:border-steel ${chosen ? '' : 'text-ink-2'}`}
        >
          {chosen ?? 'Choose an ingredient'}
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content
            align="start"
            sideOffset={4}
            className="z-[60] w-80 rounded-xl border-2 border-rim bg-enamel p-2 shadow-lg"
          >
            <Search
              label={label}
              choose={choose}
              add={(text) => {
                setOpen(false);
                setAdding(text);
              }}
            />
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
      {adding !== null && (
        <Dialog open onClose={() => setAdding(null)} title="An ingredient of your own">
          <OwnIngredientForm
            name={adding}
            done={(id) => {
              setAdding(null);
              if (id) choose(id);
            }}
          />
        </Dialog>
      )}
    </>
  );
}
