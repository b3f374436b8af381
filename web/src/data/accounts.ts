import { accountRoutes } from '@inch/contract/kitchen/account';
import { useQuery } from '@tanstack/react-query';
import { call } from './api.ts';
import { keys } from './keys.ts';

export const useAccounts = () =>
  useQuery({ queryKey: keys.list('account'), queryFn: () => call(accountRoutes.list) });
