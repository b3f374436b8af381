import type { LabelWords } from './types.ts';

/** Statements of Annexes III, X, XIII and XV as Regulation (EU) 1169/2011 has them in French. */
export const fr: LabelWords = {
  language: 'Français',
  ingredients: 'Ingrédients',
  contains: 'Contient',
  allergens: {
    milk: 'lait',
    egg: 'œuf',
    fish: 'poisson',
    shellfish: 'crustacés',
    'tree-nuts': 'fruits à coque',
    peanuts: 'arachides',
    wheat: 'blé',
    soy: 'soja',
    sesame: 'sésame',
    celery: 'céleri',
    mustard: 'moutarde',
    lupin: 'lupin',
    molluscs: 'mollusques',
    sulphites: 'sulfites',
    barley: 'orge',
  },
  additives: {
    acid: 'acidifiant',
    'acidity-regulator': 'correcteur d’acidité',
    antioxidant: 'antioxydant',
    colour: 'colorant',
    'firming-agent': 'affermissant',
    'gelling-agent': 'gélifiant',
    humectant: 'humectant',
    preservative: 'conservateur',
    stabiliser: 'stabilisant',
    sweetener: 'édulcorant',
    thickener: 'épaississant',
  },
  bestBefore: 'À consommer de préférence avant le',
  bestBeforeEnd: 'À consommer de préférence avant fin',
  useBy: 'À consommer jusqu’au',
  months: [
    ...['janv.', 'févr.', 'mars', 'avr.', 'mai', 'juin'],
    ...['juil.', 'août', 'sept.', 'oct.', 'nov.', 'déc.'],
  ],
  keep: {
    shelf: 'À conserver au frais et à l’abri de la lumière.',
    cold: 'À conserver au réfrigérateur, à 5 °C au plus.',
    frozen: 'À conserver congelé.',
  },
  openedDays: (count) =>
    `Après ouverture, à conserver au réfrigérateur et à consommer dans les ${count} jours.`,
  openedWeeks: (count) =>
    count === 1
      ? 'Après ouverture, à conserver au réfrigérateur et à consommer dans la semaine.'
      : `Après ouverture, à conserver au réfrigérateur et à consommer dans les ${count} semaines.`,
  lot: 'Lot',
  shake: 'Bien agiter avant emploi.',
  unpasteurised:
    'Non pasteurisé : déconseillé aux jeunes enfants, aux femmes enceintes, aux personnes âgées ou malades.',
  honey: 'Contient du miel : ne convient pas aux enfants de moins de 12 mois.',
  alcohol: (percent) => `alc. ${percent.replace('.', ',')} % vol`,
  juice: (percent) => `Contient ${percent} % de jus`,
  juiceUnderOne: 'Contient moins de 1 % de jus',
  for100g: (grams, name) => `Préparé avec ${grams} g de ${name} pour 100 g.`,
  sweetener: 'Avec édulcorant(s)',
  sugarsAndSweetener: 'Avec sucre(s) et édulcorant(s)',
  phenylalanine: 'Contient une source de phénylalanine',
  laxative: 'Une consommation excessive peut avoir des effets laxatifs',
  caffeine: (mg) =>
    `Teneur élevée en caféine. Déconseillé aux enfants et aux femmes enceintes ou allaitantes (${mg} mg pour 100 mL)`,
  liquorice: 'Contient de la réglisse',
  liquoriceStrong:
    'Contient de la réglisse – les personnes souffrant d’hypertension doivent éviter toute consommation excessive',
  nutrition: {
    title: 'Déclaration nutritionnelle',
    per100: 'pour 100 mL',
    energy: 'Énergie',
    fat: 'Matières grasses',
    saturatedFat: 'dont acides gras saturés',
    carbohydrate: 'Glucides',
    sugars: 'dont sucres',
    fibre: 'Fibres alimentaires',
    protein: 'Protéines',
    salt: 'Sel',
  },
};
