import { z } from 'zod';
import { route } from './route.ts';
import { Id, Name, Written } from './values.ts';

const fields = {
  name: Name,
  nominalMl: z.number().gt(0).max(20_000),
  heightMm: z.number().gt(0).max(1000),
  diameterMm: z.number().gt(0).max(500),
  closure: z.enum(['two-piece lid', 'screw cap', 'swing top', 'crown cap', 'cork']),
};
export const Container = z.object({ id: z.string(), ...fields });
export type Container = z.infer<typeof Container>;
export const NewContainer = z.object({ id: Id, ...fields });

export const containerRoutes = {
  list: route({
    method: 'GET',
    path: '/api/containers',
    access: 'reader',
    summary: 'Kinds of bottle and jar',
    response: z.array(Container),
  }),
  add: route({
    method: 'POST',
    path: '/api/containers',
    access: 'maker',
    summary: 'Add a kind of bottle or jar',
    body: NewContainer,
    response: Written,
  }),
};
