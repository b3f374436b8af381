import { contactRoutes } from '@inch/contract/contact';
import { useQuery } from '@tanstack/react-query';
import { call } from './api.ts';
import { keys } from './keys.ts';

export const useContacts = () =>
  useQuery({ queryKey: keys.list('contact'), queryFn: () => call(contactRoutes.list) });
