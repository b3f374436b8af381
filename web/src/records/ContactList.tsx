import { type Contact, ContactChange, contactRoutes, NewContact } from '@inch/contract/kitchen/contact';
import { useDeferredValue, useState } from 'react';
import { call } from '../data/api.ts';
import { useContacts } from '../data/contacts.ts';
import { useMayWrite } from '../data/session.tsx';
import { useDeedForm } from '../data/useDeedForm.ts';
import { useWrite } from '../data/useWrite.ts';
import { Button } from '../ui/Button.tsx';
import { Dialog } from '../ui/Dialog.tsx';
import { DraftNote } from '../ui/DraftNote.tsx';
import { Field, TextField } from '../ui/Field.tsx';
import { Empty, Ruled, Sheet } from '../ui/Sheet.tsx';
import { ReadFault, Unread } from '../ui/Unread.tsx';
import { Imported } from './Imported.tsx';
import { RecordsNav } from './RecordsNav.tsx';

function useContactForm(contact: Contact | null, done: () => void) {
  return useDeedForm({
    of: 'contact',
    draft: `contact ${contact?.id ?? 'new'}`,
    empty: {
      name: contact?.name ?? '',
      email: contact?.email ?? '',
      phone: contact?.phone ?? '',
      address: contact?.address ?? '',
      note: contact?.note ?? '',
    },
    schema: contact ? ContactChange : NewContact,
    hasId: contact === null,
    read: ({ name, ...more }) => ({
      name,
      ...Object.fromEntries(Object.entries(more).map(([field, text]) => [field, text.trim() || null])),
    }),
    write: (body: object): Promise<unknown> =>
      contact
        ? call(contactRoutes.change, { params: { id: contact.id }, body: body as never })
        : call(contactRoutes.add, { body: body as never }),
    done: contact ? 'Corrected' : 'Added',
    after: done,
  });
}

function ContactForm({ contact, done }: { contact: Contact | null; done: () => void }) {
  const form = useContactForm(contact, done);
  const retire = useWrite(
    'contact',
    (retired: boolean) => call(contactRoutes.retire, { params: { id: contact!.id }, body: { retired } }),
    { after: done },
  );
  return (
    <form className="grid gap-4" onSubmit={form.submit}>
      <DraftNote form={form} />
      <Field label="Name" {...form.field('name')} />
      <Field label="E-mail" type="email" {...form.field('email')} />
      <Field label="Telephone" type="tel" {...form.field('phone')} />
      <Field label="Address" {...form.field('address')} />
      <TextField label="Note" rows={2} {...form.field('note')} />
      {contact && <Imported from={contact.broughtIn} />}
      <div className="flex flex-wrap justify-end gap-3">
        {contact && (
          <Button
            tone="quiet"
            type="button"
            disabled={retire.busy}
            onClick={() => retire.run(!contact.retired)}
          >
            {contact.retired ? 'Put back in use' : 'Take out of use'}
          </Button>
        )}
        <Button type="submit" disabled={form.busy}>
          {contact ? 'Save' : 'Add'}
        </Button>
      </div>
    </form>
  );
}

function ContactRow({ contact, open }: { contact: Contact; open: (() => void) | undefined }) {
  const reached = [contact.email, contact.phone, contact.address].filter((said) => said).join(' · ');
  return (
    <li className="flex items-center gap-4 border-b border-steel-line py-2.5">
      <span className="min-w-0 flex-1">
        <span className="block font-semibold">
          {contact.name}
          {contact.retired && <span className="font-normal text-ink-2"> (out of use)</span>}
        </span>
        {reached && <span className="block text-sm">{reached}</span>}
        {contact.note && <span className="block text-sm text-ink-2">{contact.note}</span>}
        <Imported from={contact.broughtIn} />
      </span>
      {open && (
        <Button tone="quiet" size="small" onClick={open} aria-label={`Correct ${contact.name}`}>
          Correct
        </Button>
      )}
    </li>
  );
}

/** People and businesses that the kitchen buys from or sells to. */
export function ContactList() {
  const [q, setQ] = useState('');
  const { data: pages, error, refetch, ...more } = useContacts(useDeferredValue(q.trim()));
  const data = pages?.pages.flatMap((page) => page.contacts);
  const mayWrite = useMayWrite();
  const [open, setOpen] = useState<Contact | 'new' | null>(null);
  if (!data) return <Unread title="Contacts" error={error} retry={refetch} rows={8} />;
  return (
    <Sheet>
      <RecordsNav />
      <div className="flex flex-wrap items-center justify-between gap-3">
        <h1>Contacts</h1>
        {mayWrite && <Button onClick={() => setOpen('new')}>New contact</Button>}
      </div>
      {error && <ReadFault error={error} retry={refetch} />}
      {(data.length > 0 || q !== '') && (
        <Field
          label="Find by name"
          className="mt-4 max-w-sm"
          value={q}
          onChange={(e) => setQ(e.target.value)}
        />
      )}
      {data.length > 0 ? (
        <Ruled title="By name" className="mt-4">
          <ul>
            {data.map((contact) => (
              <ContactRow
                key={contact.id}
                contact={contact}
                open={mayWrite ? () => setOpen(contact) : undefined}
              />
            ))}
          </ul>
        </Ruled>
      ) : (
        <Empty title={q === '' ? 'No contacts yet' : 'Nobody of that name'}>
          Whom you buy from and sell to: add them here, or import a spreadsheet.
        </Empty>
      )}
      {more.hasNextPage && (
        <Button
          tone="plain"
          className="mt-4"
          disabled={more.isFetchingNextPage}
          onClick={() => void more.fetchNextPage()}
        >
          Show more
        </Button>
      )}
      {open && (
        <Dialog open onClose={() => setOpen(null)} title={open === 'new' ? 'New contact' : open.name}>
          <ContactForm contact={open === 'new' ? null : open} done={() => setOpen(null)} />
        </Dialog>
      )}
    </Sheet>
  );
}
