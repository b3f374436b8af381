import { expect } from 'vitest';
import {
  ago,
  beginLot,
  cherryContent,
  jarOf,
  letterOf,
  meterOf,
  post,
  type Started,
  saveFormula,
  tallyUp,
  weighIn,
} from './fixtures.ts';
import { colleague, ownerOf, type Person, type TestApp } from './testApp.ts';

/** An owner, a maker and a reader of one kitchen at 2,360 ft, with lots on their way to the shelf. */
export class Crew {
  owner!: Person;
  maker!: Person;
  reader!: Person;

  async gather(app: TestApp): Promise<void> {
    this.owner = await ownerOf(app);
    this.maker = await colleague(app, this.owner, 'maker');
    this.reader = await colleague(app, this.owner, 'reader');
    await this.moveTo(719.328);
  }

  /** Says how high the kitchen is: put right, or moved there now. */
  async moveTo(elevationMetres: number, more: { movedHere?: true } = {}): Promise<void> {
    const { body } = await this.owner.get('/api/kitchen');
    await this.owner.send('PATCH', '/api/kitchen', { revision: body.revision, elevationMetres, ...more });
  }

  view = async (lot: Started) => (await this.owner.get(`/api/lots/${lot.id}`)).body;
  gate = async (lot: Started, id: string) =>
    (await this.view(lot)).gates.find((g: { id: string }) => g.id === id);
  shut = async (lot: Started): Promise<string[]> =>
    (await this.view(lot)).gates.filter((g: { open: boolean }) => !g.open).map((g: { id: string }) => g.id);

  async filled(content: object = cherryContent, more: object = {}): Promise<Started> {
    const lot = await beginLot(this.maker, await saveFormula(this.maker, content, 'Filled'), ago(40));
    await weighIn(this.maker, lot, ago(39));
    const reply = await post(this.maker, lot, 'bottlings', {
      containerId: await jarOf(this.maker),
      count: 12,
      fillCelsius: 90,
      closing: 'hot',
      checked: true,
      place: 'cellar',
      at: ago(30),
      ...more,
    });
    expect(reply.status, JSON.stringify(reply.body)).toBe(201);
    return lot;
  }

  /** A lot with all its evidence, in bottles. */
  async releasable(): Promise<Started> {
    const lot = await this.filled();
    const instrumentId = await meterOf(this.maker);
    await post(this.maker, lot, 'readings', {
      kind: 'ph',
      raw: 3.3,
      celsius: 21,
      sample: 'finished',
      instrumentId,
    });
    await tallyUp(this.maker, lot, ago(29.5));
    const processId = await letterOf(this.owner);
    await post(this.maker, lot, 'heat-processes', { processId, minutes: 15, at: ago(29) });
    await post(this.maker, lot, 'seal-checks', { checked: 12, failed: 0, at: ago(10) });
    expect(await this.shut(lot)).toEqual([]);
    return lot;
  }
}
