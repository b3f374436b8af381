import { labelPictureRoutes } from '@inch/contract/making/labelPicture';
import type { LabelDesign } from '@inch/core/label';
import { urlOf } from '../data/address.ts';

/** Where the owner's picture of a design is; null where it has none. */
export const pictureUrl = (design: LabelDesign): string | null =>
  design.pictureId === null ? null : urlOf(labelPictureRoutes.read.path, { id: design.pictureId });
