import type { Ingredient } from '../ingredient/index.ts';
import type { Shape } from '../quantity/index.ts';

/** How readily a thing gives up what is in it, as it is cut: grated or mashed, soft, firm and chopped, firm in large pieces, dried. */
export type Texture = 'fine' | 'soft' | 'chopped' | 'firm' | 'dried';

export const TEXTURES = ['fine', 'soft', 'chopped', 'firm', 'dried'] as const satisfies readonly Texture[];

const FINE: ReadonlySet<Shape | undefined> = new Set(['grated', 'pureed']);

/**
 * Texture of an ingredient as it is cut. Frost bursts the cells: what was frozen gives like soft fruit.
 * @param entry the ingredient; @param cut how it is cut, whole where not said
 * @example textureOf(catalogue.get('quince'), 'grated') // 'fine'
 */
export function textureOf(
  entry: Pick<Ingredient, 'firm' | 'dried' | 'frozen'>,
  cut: Shape | undefined,
): Texture {
  if (FINE.has(cut)) return 'fine';
  if (entry.dried) return 'dried';
  if (!entry.firm || entry.frozen) return 'soft';
  return cut ? 'chopped' : 'firm';
}
