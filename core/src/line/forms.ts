/** Words that make another thing of a plant than itself, one of several each. */
export const FORMS: ReadonlySet<string> = new Set(
  [
    'extract essence oil water blossom flower leaf bark kernel stone seed milk butter syrup juice cider wine dried frozen candied powder powdered',
    'zest peel pith rind ground puree paste jam jelly concentrate cordial liqueur vinegar pulp bitters crystal crystallised tea root stick pod',
  ]
    .join(' ')
    .split(' '),
);
