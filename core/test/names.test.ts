import { shippedCatalogue, warningFor } from '@inch/core/ingredient';
import { readSaid } from '@inch/core/line';
import { describe, expect, it } from 'vitest';

const names = (text: string): string[] =>
  text
    .split(/[,\n]/)
    .map((name) => name.trim())
    .filter(Boolean);

/** Poisonous, a medicine, or unfit by how it is kept: by any name, in any order, number, language and script. */
const REFUSED = names(`
  lily of the valley, lilies of the valley, foxglove, foxgloves, fox glove, fox-glove, FOXGLOVE leaf, oleander, oleander flowers, daffodil bulbs, hemlock
  poison hemlock, water dropwort, hemlock water-dropwort, yew, yew berries, yew needles, monkshood, monk's hood, monks hood, monk’s-hood, wolfsbane
  wolf's bane, deadly nightshade, nightshade (deadly), belladonna, henbane, thorn apple, thornapples, jimson weed, angel's trumpet, angels trumpets
  angel’s trumpets, trumpets of angels, mandrake root, laburnum, autumn crocus, meadow saffron, hellebores, larkspur, delphiniums, castor beans, castor bean
  rosary peas, cuckoo pint, lords and ladies, lords-and-ladies, spurge, privet berries, ivy, ivy leaves, holly berries, mistletoe, snowberries, daphne
  rhododendron honey flowers, azalea, cherry laurel, cherry laurel leaves, wisteria, snowdrops, bluebells, hyacinth, bryony, pokeweed, poke berries, ragwort
  giant hogweed, horse chestnuts, conkers, periwinkle, tomato leaves, potato leaves, green potatoes, buttercups, celandine, boxwood, death cap, fly agaric
  ergot, tobacco, tobacco leaf, rhubarb leaves, leaves of rhubarb, rhubarb leaf, rhubarb (with the leaves), rhubarb leaves and all, bitter almonds
  almonds (bitter), bitter almond, apricot kernels, kernels of apricots, apricot kernel, apricot pits, kernels – apricot, peach kernels, peach stones crushed
  plum kernels, cherry kernels, crushed cherry stones, damson stones cracked, apple seeds, cherry leaves, peach leaves, sassafras, sassafras root
  root of sassafras, calamus, sweet flag, pennyroyal, comfrey leaves, tansy, rue, coltsfoot, tonka beans, tonka, woodruff, sweet woodruff, wormwood
  mugwort, cinchona bark, bark of cinchona, quinine bark, florist's roses, florists' flowers, raw elderberries, green elderberries, elder leaves
  elder bark, leaves of elder, unripe elderberries
  methanol, methyl alcohol, methylated spirits, denatured alcohol, isopropyl alcohol, borax, boric acid, formaldehyde, bleach, caustic soda, antifreeze
  nicotine, liquid nicotine, kratom, kratom leaf, kava, CBD, cbd oil, CBD isolate, cannabidiol, cannabis leaf, THC, melatonin, melatonin gummies, quinine
  quinine sulphate, quinine sulfate, quinine hydrochloride, ephedrine, caffeine powder, cough syrup, aspirin, ibuprofen, codeine, colloidal silver
  St John's wort, st. john’s wort, khat, coca leaves, poppy straw, opium, oil of wintergreen, wintergreen oil, camphor, lye drain cleaner, saltpetre
  garlic oil, garlic in oil, garlic in olive oil, garlic-infused oil, garlic infused olive oil, oil of garlic, garlic confit, basil in oil, chilli in oil
  mushrooms in oil, rosemary in oil, alfalfa sprouts, bean sprouts, mung bean sprouts, sprouts of alfalfa, lentil sprouts, radish sprouts
  Fingerhut, Roter Fingerhut, Maiglöckchen, Maigloeckchen, Eibe, Eisenhut, Tollkirsche, Tollkirschen, Schierling, Herbstzeitlose, Stechapfel, Waldmeister
  Goldregen, Engelstrompete, Kirschlorbeer, Bittermandel, Aprikosenkerne, Wermut, Knoblauch in Öl, Efeu, muguet, digitale, digitale pourpre, laurier-rose
  laurier rose, ciguë, belladone, aconit, colchique, if commun, amande amère, noyaux d’abricot, lierre, houx, quinquina, fève tonka, absinthe
  ail confit, adelfa, dedalera, acónito, cicuta, belladona, estramonio, tejo, almendra amarga, ajenjo, ruda, oleandro, mughetto, mandorla amara
  aglio sott'olio, vingerhoedskruid, wolfskers, konwalia, naparstnica, cis pospolity, tojad, fingerborgsblomma, stormhatt
  Digitalis purpurea, Convallaria majalis, Taxus baccata, Nerium oleander, Atropa belladonna, Aconitum napellus, Conium maculatum, Cicuta virosa
  Colchicum autumnale, Datura stramonium, Ricinus communis, Abrus precatorius, Prunus laurocerasus, Solanum nigrum, Artemisia absinthium
  аконит, белена, ландыш, наперстянка, олеандр, белладонна, Ｆｏｘｇｌｏｖｅ, fоxglоve, fox​glove, fox\u00adglove, o\u200bleander, ｏｌｅａｎｄｅｒ, f.o.x.g.l.o.v.e
`);

/** Harmless, though their names look like those. */
const HARMLESS = names(`
  sour cherries, cherries stoned, cherries stones removed, cherries with stones removed, apricots, apricots pits out, peaches, peaches stoned, plums
  damsons, damsons stones in, damsons with stones left in, plums stone in, almonds, almond, sweet almonds, rhubarb, rhubarb stalks, rhubarb without leaves
  rhubarb leaves removed, elderberries, ripe elderberries, elderflower, elderflowers, elder flowers, star anise, lime leaves, mint leaves, basil, bay leaves
  lemon verbena, lemon thyme, bouquet garni, sweet peas in pods, peas, sugar snap peas, garlic, garlic cloves, olive oil, sunflower oil, chilli, ginger
  ginger root, brussels sprouts, wild garlic, narcissus garlic, broccoli, poppy seeds, hemp seeds, vodka, gin, white rum, rose petals, roses, honeysuckle flowers
  dandelion, dandelion root, nettle, chickweed, fireweed honey, honey, ground ivy tea, liquorice root, salt, sea salt, baking soda, citric acid, tartaric acid
  malic acid, lactic acid, ascorbic acid, sodium benzoate, potassium sorbate, sugar, brown sugar, water, soda water, tonic water, cider vinegar, white vinegar
  tomatoes, potatoes, mushrooms, pears, apples, crab apples, quinces, gooseberries, blackcurrants, redcurrants, blackberries, raspberries, strawberries, blueberries
  bilberries, cranberries, lingonberries, cloudberries, sea buckthorn, rosehips, sloes, haws, rowan berries, mulberries, figs, dates, grapes, raisins, prunes
  oranges, lemons, limes, grapefruit, mandarins, bergamot, yuzu, kumquats, pomegranate, passion fruit, mango, papaya, pineapple, kiwi, lychee, coconut water
  cinnamon, true cinnamon, cassia, cloves, cardamom, nutmeg, mace, vanilla pod, saffron, black pepper, juniper berries, coriander seed, fennel seed, caraway
  cumin, allspice, turmeric, rosemary, thyme, sage, oregano, marjoram, lavender, chamomile, hibiscus, jasmine tea, black tea, green tea, coffee, cocoa, rooibos
  mate, spruce tips, birch sap, maple syrup, agave syrup, molasses, golden syrup, glucose syrup, stevia, erythritol, xylitol, pectin, agar, gelatine
  lemon zest, orange peel, cucumber, celery, carrot, beetroot, pumpkin, watermelon, melon, peach nectar, cherry juice, apple juice, grape juice, tomato juice
  Kirschen, Zitronen, Ingwer, Zucker, cerises, framboises, citron, gingembre, sucre, cerezas, limones, jengibre, azúcar, ciliegie, zenzero, zucchero
`);

describe('a name', () => {
  it('is asked of four hundred, and each is told once', () => {
    expect(REFUSED.length + HARMLESS.length).toBeGreaterThanOrEqual(400);
    expect(new Set(REFUSED).size + new Set(HARMLESS).size).toBe(REFUSED.length + HARMLESS.length);
  });
  it.each(REFUSED)('of what is not to be drunk is refused: %s', (name) => {
    expect(warningFor(name)?.refuse).toBe(true);
    const { things } = readSaid(`200 g ${name}`, shippedCatalogue);
    expect(things.every((thing) => thing.query !== undefined && thing.ingredientId === '')).toBe(true);
  });
  it.each(HARMLESS)('of what is harmless is not: %s', (name) => {
    expect(warningFor(name)?.refuse ?? false).toBe(false);
  });
});
