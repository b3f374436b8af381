import { formulaRoutes } from '@inch/contract/formula';
import { useQuery } from '@tanstack/react-query';
import { call } from './api.ts';
import { keys } from './keys.ts';

export const useFormulas = () =>
  useQuery({ queryKey: keys.list('formula'), queryFn: () => call(formulaRoutes.list) });
