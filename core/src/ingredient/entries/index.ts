import type { Ingredient } from '../types.ts';
import { salts } from './acidMore.ts';
import { brewed } from './brewed.ts';
import { byProducts } from './byProduct.ts';
import { cellar } from './cellar.ts';
import { citrus } from './citrus.ts';
import { withCuts } from './cut.ts';
import { driedFruits } from './driedFruit.ts';
import { flavourings } from './flavouring.ts';
import { flowers } from './flower.ts';
import { forms } from './forms.ts';
import { frozenFruits } from './frozen.ts';
import { fruits } from './fruit.ts';
import { rarerFruits } from './fruitMore.ts';
import { herbs } from './herb.ts';
import { juices } from './juice.ts';
import { moreJuices } from './juiceMore.ts';
import { kindsOf } from './kinds.ts';
import { lowAcidThings } from './lowAcid.ts';
import { staples } from './pantry.ts';
import { withPigment } from './pigment.ts';
import { spices } from './spice.ts';
import { sweetThings } from './sweet.ts';
import { sweeteners } from './sweetener.ts';
import { withTexture } from './texture.ts';

const all: readonly Ingredient[] = [
  ...[
    ...fruits,
    ...rarerFruits,
    ...citrus,
    ...juices,
    ...moreJuices,
    ...forms,
    ...frozenFruits,
    ...driedFruits,
  ],
  ...[...staples, ...sweetThings, ...sweeteners, ...salts, ...cellar],
  ...[...lowAcidThings, ...herbs, ...flowers, ...spices, ...flavourings, ...brewed, ...byProducts],
];

/** Every entry that ships: each figure typical, with its public source. */
export const entries: readonly Ingredient[] = [...all.map(withTexture), ...kindsOf(all.map(withTexture))]
  .map(withCuts)
  .map(withPigment);
