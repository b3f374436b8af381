/** A recipe as somebody wrote it, with what it says, set down by hand before it was read. */
export interface WrittenMethod {
  name: string;
  list: string;
  method: string;
  /**
   * Its steps in order: `kind[:method or cloth]`, then what is said of it: `m` minutes, `c` °C, `f` part of the volume left, `b` °Bx,
   * `off` or `half` the lid, `low` or `high` the fire, `kill`, `never`, `away` the liquid, `look:` how thick; `?` something is asked.
   */
  steps: string[];
  storage: 'shelf' | 'cold' | 'frozen';
  /** Days that the recipe says it keeps. */
  keeps?: number;
}

export const written: WrittenMethod[] = [
  {
    name: 'a rest in the cold is no cooking',
    list: '1 kg plums\n600 g sugar',
    method:
      'Stir the plums with the sugar and rest in the fridge overnight. Bring to a full boil and boil for 2 minutes. Strain through a cloth.',
    steps: ['add', 'draw:cold m720 c5', 'draw:cooked m2 off kill', 'strain:drip'],
    storage: 'cold',
  },
  {
    name: 'small letters after the full stop',
    list: '800 g rhubarb\n400 g sugar',
    method:
      'toss the rhubarb with the sugar. leave overnight in the fridge. cook for 10 minutes. strain, pressing hard.',
    steps: ['add', 'draw:cold m720 c5', 'draw:cooked m10', 'strain:press'],
    storage: 'cold',
  },
  {
    name: 'the lids are looked at a day later',
    list: '1 l damson juice\n700 g sugar',
    method:
      'Boil the juice with the sugar for 5 minutes. Ladle into hot jars. Process in a boiling water bath for 10 minutes. Turn off the fire and wait five minutes before lifting the jars out. Leave undisturbed for 24 hours, then check the seals.',
    steps: ['heat m5 kill', 'fill', 'process m10', 'rest m5', 'rest m1440', 'measure'],
    storage: 'shelf',
  },
  {
    name: 'keeping is no step',
    list: '500 g raspberries\n300 g sugar\n250 ml cider vinegar',
    method:
      'Crush the raspberries with the sugar. Leave for a couple of days in the fridge. Strain and stir in the vinegar. Bottle. It keeps in the refrigerator for three months.',
    steps: ['prepare', 'draw:cold m2880 c5', 'strain', 'add', 'fill'],
    storage: 'cold',
    keeps: 90,
  },
  {
    name: 'things that strain nothing',
    list: '60 g hibiscus\n1 l water\n500 g sugar',
    method:
      'Bring the filtered water to a boil. Add the hibiscus, cover and steep for 20 minutes. Set a strainer over a clean pot. Pour it through. Stir in the sugar and simmer for 5 minutes, covered.',
    steps: ['heat', 'add', 'draw:infused m20', 'prepare', 'strain', 'add', 'heat m5'],
    storage: 'cold',
  },
  {
    name: 'turning the heat down reduces nothing',
    list: '1 kg quinces\n2 l water\n800 g sugar',
    method:
      'Bring the quinces and the water to a boil, then reduce the heat and simmer, covered, for 1 hour 15 minutes. Let it drip through a jelly bag for 6 hours. Add the sugar. Boil down until half is left.',
    steps: ['draw:cooked m75 low kill', 'strain:drip m360', 'add', 'reduce f0.5 off'],
    storage: 'cold',
  },
  {
    name: 'reduced by and to',
    list: '2 l apple juice\n20 g lemon juice',
    method:
      'Boil the juice hard until it is reduced by two thirds. Add the lemon juice. Cook it on, lid off, until only a quarter remains.',
    steps: ['reduce f0.333 off', 'add', 'reduce f0.25 off'],
    storage: 'cold',
  },
  {
    name: 'fractions in figures',
    list: '1 l grape juice',
    method: 'Simmer the grape juice uncovered until reduced to 1/3 of its volume. Bottle hot.',
    steps: ['reduce f0.333 off low', 'fill'],
    storage: 'cold',
  },
  {
    name: 'by so many per cent',
    list: '1 l pomegranate juice\n200 g sugar',
    method: 'Add the sugar to the juice. Reduce by 70 % over a low flame. Pour into bottles and refrigerate.',
    steps: ['add', 'reduce f0.3 low off', 'fill', 'rest'],
    storage: 'cold',
  },
  {
    name: 'blended and hung',
    list: '4 lemons\n1 l water\n400 g sugar',
    method:
      'Blend the lemons with the water. Hang in muslin for 3 hours. Squeeze it at the end. Stir the sugar in until it has gone.',
    steps: ['draw:blended', 'strain:press m180', 'add'],
    storage: 'cold',
  },
  {
    name: 'a rolling boil, in Fahrenheit',
    list: '1 kg cherries\n500 g sugar\n200 ml water',
    method:
      'Heat the cherries and the water to 190 °F and hold for 15 minutes. Strain through a jelly bag, letting it drip for 2 hours. Add the sugar, bring to a rolling boil and boil hard for 1 minute. Do not let it boil over.',
    steps: ['draw:cooked m15 c87.8', 'strain:drip m120', 'add', 'heat m1 off kill'],
    storage: 'cold',
  },
  {
    name: 'to a temperature of the boil',
    list: '500 ml orange juice\n500 g sugar',
    method: 'Dissolve the sugar in the juice over low heat. Boil until it reaches 220F. Cool.',
    steps: ['heat low', 'reduce c104.4 off', 'rest'],
    storage: 'cold',
  },
  {
    name: 'never to boil, to the end',
    list: '30 g elderflower\n1 l water\n900 g sugar\n20 g citric acid',
    method:
      'Do not boil this one at any time. Warm the water with the sugar to 70 °C. Add the elderflower and the citric acid and leave for 2 days. Strain. Heat to 80 °C for 10 minutes and bottle.',
    steps: ['heat c70 never', 'add', 'draw:infused m2880', 'strain', 'heat c80 m10 never', 'fill'],
    storage: 'cold',
  },
  {
    name: 'two waits in one sentence',
    list: '1 kg strawberries\n500 g sugar',
    method:
      'Layer the strawberries with the sugar and let stand 2 hours at room temperature and then 12 hours in the fridge. Strain without pressing.',
    steps: ['add', 'draw:cold m120 c20', 'draw:cold m720 c5', 'strain'],
    storage: 'cold',
  },
  {
    name: 'less than, and or',
    list: '1 kg gooseberries\n300 ml water\n500 g sugar',
    method:
      'Simmer the gooseberries in the water for 20 or 30 minutes. Strain through muslin. Add the sugar and boil for less than 5 minutes.',
    steps: ['draw:cooked m25 ?', 'strain:drip', 'add', 'heat ?'],
    storage: 'cold',
  },
  {
    name: 'cooked to a syrup',
    list: '500 g sugar\n500 ml water\n1 piece ginger',
    method: 'Put everything in a pot and cook to a syrup, about 40 minutes. Fish out the ginger. Freeze.',
    steps: ['add', 'reduce m40 off look:coats', 'strain', 'rest'],
    storage: 'frozen',
  },
  {
    name: 'a plate in the freezer is a test',
    list: '1 kg apricots\n800 g sugar',
    method:
      'Put a plate in the freezer. Cook the apricots with the sugar for half an hour, stirring every 5 minutes. Test a drop on the cold plate. Push through a sieve. Store in the fridge for up to 6 weeks.',
    steps: ['prepare', 'draw:cooked m30', 'measure', 'strain:press', 'rest'],
    storage: 'cold',
    keeps: 42,
  },
  {
    name: 'soaked, and the water thrown away',
    list: '250 g dried apricots\n1 l water\n300 g sugar',
    method:
      'Soak the apricots overnight. Drain and discard the soaking water. Simmer with the fresh water for 40 minutes, lid half on. Press through a cloth. Dissolve the sugar in it while hot.',
    steps: ['draw:cold m720', 'strain away', 'draw:cooked m40 half', 'strain:press', 'add'],
    storage: 'cold',
  },
  {
    name: 'steamed jars',
    list: '2 l elderberry juice\n1 kg sugar',
    method:
      'Heat the juice and the sugar to a simmer (185 degrees F) and keep it there for 10 minutes. Funnel into jars, leaving 1/4 inch headspace. Steam for 15 minutes. Cool.',
    steps: ['heat m10 c85', 'fill', 'process m15', 'rest'],
    storage: 'shelf',
  },
  {
    name: 'by the week, in the jar',
    list: '500 g sloes\n500 ml wine vinegar\n300 g sugar',
    method:
      'Put the sloes in a jar with the sugar. Pour the vinegar over, close and leave in a dark place for 3 weeks, shaking every day. Filter through paper.',
    steps: ['add', 'add', 'draw:jar m30240', 'strain:filter'],
    storage: 'cold',
  },
  {
    name: 'peel rubbed for its oil',
    list: '6 lemons, zest\n300 g sugar\n300 ml lemon juice',
    method:
      'Rub the zest into the sugar and let it sit 4 hours. Pour on the lemon juice and stir until dissolved. Strain into a bottle.',
    steps: ['draw:peel m240', 'add', 'strain'],
    storage: 'cold',
  },
  {
    name: 'numbered, in capitals',
    list: '1 kg blackcurrants\n500 ml water\n700 g sugar',
    method:
      '1. SIMMER THE BLACKCURRANTS IN THE WATER FOR 15 MINUTES.\n2. HANG IN A CLOTH OVERNIGHT.\n3. ADD THE SUGAR AND BOIL FOR 3 MINUTES.\n4. POUR INTO CLEAN BOTTLES.',
    steps: ['draw:cooked m15', 'strain:drip m720', 'add', 'heat m3 kill', 'fill'],
    storage: 'cold',
  },
  {
    name: 'a simmer that is only come to',
    list: '200 g ginger\n1 l water\n600 g sugar',
    method:
      'Grate the ginger. Bring it with the water to a bare simmer; keep it there for 25 minutes with the lid on. Take off the heat and let it steep for another hour. Strain, then stir in the sugar.',
    steps: ['prepare', 'draw:cooked m25', 'draw:infused m60', 'strain', 'add'],
    storage: 'cold',
  },
  {
    name: 'left to cool before it goes on',
    list: '1 l water\n1 kg sugar\n15 g citric acid\n20 ml rose water',
    method:
      'Boil the water and the sugar for 8 minutes. Let it cool for an hour. Stir in the citric acid and the rose water. Keep in the fridge up to a month.',
    steps: ['heat m8 kill', 'rest m60', 'add', 'rest'],
    storage: 'cold',
    keeps: 30,
  },
  {
    name: 'a shrub by somebody in a hurry',
    list: '2 cups blackberries\n1 cup sugar\n1 cup red wine vinegar',
    method:
      'Mash berries and sugar together in a bowl. Cover, fridge it for 2 days. Strain out the solids. Whisk in the vinegar till the sugar is gone. Bottle. Good for 6 months in the fridge.',
    steps: ['prepare', 'draw:cold m2880 c5', 'strain', 'add', 'fill'],
    storage: 'cold',
    keeps: 180,
  },
  {
    name: 'grandmother, in long sentences',
    list: '3 kg redcurrants\n1 l water\n2 kg sugar',
    method:
      'Put the redcurrants in the preserving pan with the water, bring them slowly to the boil and let them simmer for a quarter of an hour until they have given up their juice, then tip everything into a jelly bag and let it drip through the night. The next day measure the juice, add the sugar, stir over a gentle heat until it has melted and boil rapidly for 10 minutes, skimming.',
    steps: ['add', 'draw:cooked m15 kill', 'strain:drip m720', 'measure', 'add', 'heat m10 off kill'],
    storage: 'cold',
  },
  {
    name: 'a concentrate by eye',
    list: '4 l pear juice',
    method:
      'Bring the juice to a boil in your widest pan. Boil it down, skimming, till about a fifth remains; this takes two to three hours. Stir often near the end. Pour into a hot jar.',
    steps: ['heat', 'reduce m150 f0.2 off', 'fill'],
    storage: 'cold',
  },
  {
    name: 'simple syrup with herbs',
    list: '1 cup water\n1 cup sugar\n10 g mint',
    method:
      'Combine sugar and water in a saucepan and heat, stirring, until the sugar dissolves. Remove from the heat, drop in the mint and leave to infuse, covered, for 30 minutes. Strain and chill.',
    steps: ['add', 'heat', 'add', 'draw:infused m30', 'strain', 'rest'],
    storage: 'cold',
  },
  {
    name: 'canned, with a rest and a look',
    list: '2 l grape juice\n500 g sugar',
    method:
      'Heat the juice with the sugar to 190°F; do not boil. Fill hot jars, leaving 1/4 inch. Process pints 10 minutes at a full boil in a water bath canner. Let the jars sit in the hot water for 5 minutes. Lift them out and let cool 12 to 24 hours. Remove the rings.',
    steps: ['heat c87.8 never', 'fill', 'process m10', 'rest m5', 'rest m1080'],
    storage: 'shelf',
  },
  {
    name: 'cold pressed',
    list: '2 kg apples\n50 ml lemon juice\n400 g sugar',
    method:
      'Grate the apples coarsely, toss with the lemon juice at once. Press the pulp in a cloth. Filter the juice through a coffee filter, which takes a few hours. Stir in the sugar. Keep at 80 °C for 20 minutes, lid on.',
    steps: ['prepare', 'add', 'strain:press', 'strain:filter ?', 'add', 'heat c80 m20'],
    storage: 'cold',
  },
  {
    name: 'dried fruit, soaked and cooked twice',
    list: '300 g dried figs\n1.2 l water\n400 g sugar',
    method:
      'Soak the figs in the water for 8 hours. Simmer in the same water for half an hour, then mash. Push through a sieve. Return the juice to the pan with the sugar and simmer, uncovered, until it coats a spoon.',
    steps: [
      'draw:cold m480',
      'draw:cooked m30',
      'prepare',
      'strain:press',
      'add',
      'reduce off low look:coats',
    ],
    storage: 'cold',
  },
  {
    name: 'vinegar infused hot',
    list: '500 ml cider vinegar\n300 g cranberries\n250 g honey',
    method:
      'Heat the vinegar until it just steams, about 160 °F. Pour it over the cranberries in a clean jar. Close and let stand on the counter for 1 week, shaking it daily. Strain, pressing lightly. Warm the honey and stir it in.',
    steps: ['heat c71.1', 'add', 'draw:jar m10080', 'strain:press', 'heat', 'add'],
    storage: 'cold',
  },
  {
    name: 'for the freezer',
    list: '1 kg passion fruit\n300 g sugar',
    method:
      'Scoop the pulp into a bowl. Mix with the sugar and leave 3 hours. Rub through a sieve. Ladle into small tubs and freeze. Keeps 1 year frozen.',
    steps: ['prepare', 'add', 'draw:cold m180 c20', 'strain:press', 'fill', 'rest'],
    storage: 'frozen',
    keeps: 365,
  },
  {
    name: 'the heat is turned off and on',
    list: '40 g rose petals\n800 ml water\n700 g sugar\n10 g citric acid',
    method:
      'Bring the water to a boil, turn off the heat, stir in the rose petals and cover. Steep for 4 hours. Strain through muslin, squeezing well. Add the sugar and the citric acid, bring back to a boil, lower the heat and simmer for 10 minutes.',
    steps: ['heat', 'add', 'draw:infused m240', 'strain:press', 'add', 'heat m10 low kill'],
    storage: 'cold',
  },
  {
    name: 'said in the passive',
    list: '2 kg sour cherries\n1 kg sugar',
    method:
      'The cherries are pitted and crushed with the sugar. They are left to stand for 12 hours in a cold place. The juice is strained off through a cloth. It is boiled for 3 minutes. Foam is skimmed. It is filled into bottles while hot.',
    steps: ['prepare', 'draw:cold m720 c5', 'strain:drip', 'heat m3 kill', 'fill'],
    storage: 'cold',
  },
  {
    name: 'with or without',
    list: '1 kg peaches\n400 ml water\n300 g sugar',
    method:
      'Simmer the peaches in the water for 20 minutes. Hang to drip or press it through a sieve. Add the sugar. Reduce by a third or by half.',
    steps: ['draw:cooked m20', 'strain:press ?', 'add', 'reduce f0.667 off ?'],
    storage: 'cold',
  },
  {
    name: 'instructions as a list of commands',
    list: '500 g blueberries\n250 g sugar\n200 ml water',
    method:
      '- Blueberries + water in pot\n- Simmer 12 min, lid on\n- Strain through fine mesh strainer\n- Add sugar\n- Rolling boil 2 min\n- Bottle, fridge',
    steps: ['add ?', 'draw:cooked m12', 'strain', 'add', 'heat m2 off kill', 'fill'],
    storage: 'cold',
  },
  {
    name: 'jars in the oven, and a look a month later',
    list: '1.5 kg mirabelles\n300 ml water\n900 g sugar\n20 ml lemon juice',
    method:
      'Warm the jars in the oven. Stone the mirabelles. Stew them in the water until they fall apart, 20 minutes. Push the lot through a food mill. Add the sugar and the lemon juice; bring to a boil and cook hard for 4 minutes. Fill the jars at once and screw on the lids. Look at them after a month.',
    steps: ['prepare ?', 'prepare', 'draw:cooked m20', 'strain:press', 'add', 'heat m4 off kill', 'fill'],
    storage: 'cold',
  },
  {
    name: 'citrus by the cold way',
    list: '10 limes\n500 g sugar\n400 ml water',
    method:
      'Peel the limes thinly. Massage the peel with the sugar and forget about it until the next morning. Juice the limes. Warm the water, pour it over the sugared peel and stir till no grains are left. Add the juice. Strain it off. It lasts 4 weeks in the refrigerator.',
    steps: ['prepare', 'draw:peel m720', 'prepare', 'heat', 'add', 'add', 'strain'],
    storage: 'cold',
    keeps: 28,
  },
  {
    name: 'two drips',
    list: '2 kg cranberries\n2 l water\n1 kg sugar',
    method:
      'Boil the cranberries in the water for 10 minutes, covered. Let it drain through a colander for 30 minutes, then hang the juice in a jelly bag for another 5 hours. Measure. Stir in the sugar and reduce until it reads 55 Brix.',
    steps: [
      'draw:cooked m10 kill',
      'strain:drip m30',
      'strain:drip m300',
      'measure',
      'add',
      'reduce b55 off',
    ],
    storage: 'cold',
  },
  {
    name: 'a temperature range held',
    list: '1 l blood orange juice\n600 g sugar',
    method:
      'Dissolve the sugar in the juice. Heat it gently and hold it between 75 and 80 °C for 20 minutes, never letting it boil. Cool quickly in ice water. Bottle and refrigerate; use within 6 weeks.',
    steps: ['add', 'heat c80 m20 never', 'rest', 'fill', 'rest'],
    storage: 'cold',
    keeps: 42,
  },
  {
    name: 'caramel end',
    list: '1 l apple juice\n300 g sugar',
    method:
      'Simmer the juice and the sugar very gently until it has halved in volume, then boil to 225 °F. Cool.',
    steps: ['reduce f0.5 low off', 'reduce c107.2 off', 'rest'],
    storage: 'cold',
  },
  {
    name: 'what is drunk at once',
    list: '500 g watermelon\n100 g sugar\n60 ml lime juice',
    method:
      'Blitz the watermelon. Strain it through a fine sieve, pushing with a spoon. Stir the sugar and the lime juice in. Chill for 2 hours and drink the same day.',
    steps: ['draw:blended', 'strain:press', 'add', 'rest m120'],
    storage: 'cold',
  },
  {
    name: 'spices toasted and simmered, then steeped',
    list: '20 g cardamom pods\n10 g cinnamon\n1 l water\n800 g brown sugar',
    method:
      'Toast the spices in a dry pan. Add the water, bring to a simmer and cook uncovered for 25 minutes. Turn off the heat, cover and let stand overnight. Strain. Dissolve the sugar in the hot liquid.',
    steps: ['prepare', 'add', 'draw:cooked m25 off', 'draw:infused m720', 'strain', 'add'],
    storage: 'cold',
  },
  {
    name: 'tomato water shrub',
    list: '1 kg tomatoes\n10 g salt\n200 g sugar\n200 ml white wine vinegar',
    method:
      'Chop the tomatoes, salt them and let them hang in a cloth over a bowl in the fridge for 12 hours without squeezing. Whisk the sugar and the vinegar into what dripped. Taste. Bottle it and keep it cold.',
    steps: ['prepare', 'strain:drip m720', 'add', 'measure', 'fill', 'rest'],
    storage: 'cold',
  },
  {
    name: 'in rounds, with an ending in the freezer',
    list: '3 kg pineapple\n1 kg sugar',
    method:
      'Cut up the pineapple. Purée it in batches. Strain through a nut bag, wringing it. Heat the juice with the sugar to 85 C. Let cool to room temperature. Pour into ice cube trays and freeze overnight.',
    steps: ['prepare', 'draw:blended', 'strain:press', 'heat c85', 'rest', 'fill', 'rest m720'],
    storage: 'frozen',
  },
  {
    name: 'syrup from blossoms, day by day',
    list: '200 g dandelion flowers\n1.5 l water\n1.5 kg sugar\n1 lemon',
    method:
      'Day 1: Cover the flowers with the water, bring to the boil and boil for 15 minutes. Leave to stand until the next day. Day 2: Strain, squeezing the flowers. Slice the lemon and add it with the sugar. Simmer gently for 2 hours, without a lid, until it runs like thin honey. Day 3: bottle.',
    steps: [
      'add',
      'draw:cooked m15 kill',
      'draw:infused m720',
      'strain:press',
      'prepare',
      'add',
      'reduce m120 off low',
      'fill',
    ],
    storage: 'cold',
  },
  {
    name: 'degrees that nobody named',
    list: '1 l grape juice\n200 g sugar',
    method: 'Stir the sugar into the juice. Heat to 180 degrees and hold for 10 minutes. Bottle.',
    steps: ['add', 'heat m10 ?', 'fill'],
    storage: 'cold',
  },
  {
    name: 'frozen first, and thawed',
    list: '1 kg strawberries\n500 g sugar\n30 ml lemon juice',
    method:
      'Freeze the strawberries overnight. Thaw them with the sugar in a bowl in the fridge for 24 hours. Strain without pressing. Stir in the lemon juice. Keep it in the fridge for up to 2 weeks.',
    steps: ['rest m720', 'draw:cold m1440 c5', 'strain', 'add', 'rest'],
    storage: 'cold',
    keeps: 14,
  },
  {
    name: 'held warm in a bag',
    list: '500 g pineapple\n400 g sugar\n10 g ginger',
    method:
      'Seal the pineapple, the sugar and the ginger in a bag. Hold in a water bath at 57 °C for 2 hours. Strain through a fine sieve. Chill.',
    steps: ['add', 'draw:cooked c57 m120', 'strain', 'rest'],
    storage: 'cold',
  },
  {
    name: 'the oven for the glass',
    list: '1 l quince juice\n700 g sugar',
    method:
      'Sterilise the bottles in the oven at 140 °C for 20 minutes. Boil the juice and the sugar until it coats the back of a spoon, skimming. Pour into the hot bottles and seal.',
    steps: ['prepare m20 ?', 'reduce look:coats off', 'fill'],
    storage: 'cold',
  },
  {
    name: 'by numbers, with stages inside',
    list: '2 kg sour cherries\n500 ml water\n1 kg sugar\n1 stick cinnamon',
    method:
      '1. Pit the cherries.\n2. Put them in a pan with the water and the cinnamon. Cover and simmer 25 min.\n3. Ladle into a jelly bag, hang for 8 h.\n4. Measure the juice, add the sugar.\n5. Boil hard 4 min without a lid.\n6. Bottle at once.',
    steps: [
      'prepare',
      'add',
      'draw:cooked m25',
      'strain:drip m480',
      'measure',
      'add',
      'heat m4 off kill',
      'fill',
    ],
    storage: 'cold',
  },
  {
    name: 'how it may also be done',
    list: '400 g raspberries\n200 g sugar\n200 ml white wine vinegar',
    method:
      'Mash the raspberries with the vinegar and leave for 5 days in a cool place, stirring daily. You can use frozen berries too. Strain through muslin. Add the sugar and simmer for 10 minutes. If it is cloudy, filter it again.',
    steps: ['prepare', 'draw:cold m7200', 'strain:drip', 'add', 'heat m10'],
    storage: 'cold',
  },
  {
    name: 'half an hour, three quarters of an hour',
    list: '1 kg crab apples\n1.5 l water\n700 g sugar',
    method:
      'Cook the crab apples in the water for three quarters of an hour. Let it drip for half a day. Add the sugar and boil for a quarter of an hour.',
    steps: ['draw:cooked m45', 'strain:drip m720', 'add', 'heat m15 kill'],
    storage: 'cold',
  },
  {
    name: 'to the thread, by hand',
    list: '1 l water\n2 kg sugar\n10 g citric acid',
    method:
      'Bring the water and the sugar to the boil, stirring, and boil, uncovered, to the thread stage. Take off the heat and stir in the citric acid. Leave to cool completely before you bottle it.',
    steps: ['heat', 'reduce look:thread off', 'add', 'rest'],
    storage: 'cold',
  },
  {
    name: 'with the leaves at the end',
    list: '800 g blackcurrants\n400 ml water\n500 g sugar\n10 g mint',
    method:
      'Simmer the blackcurrants in the water, partly covered, until they burst, about 12 minutes. Take from the heat, add the mint and leave it to infuse for 20 minutes. Press through a sieve. Stir in the sugar until dissolved, then heat to 85 °C, but do not boil.',
    steps: ['draw:cooked m12 half', 'add', 'draw:infused m20', 'strain:press', 'add', 'heat c85 never'],
    storage: 'cold',
  },
  {
    name: 'two pans and a mixing',
    list: '6 grapefruits\n500 g sugar\n500 ml water\n15 g citric acid',
    method:
      'Juice the grapefruits and strain the juice. In a pan, warm the sugar and the water until clear. Let the syrup cool, then combine it with the juice and the citric acid. Bottle and freeze for up to 6 months.',
    steps: ['prepare', 'strain', 'heat', 'rest', 'add', 'fill', 'rest'],
    storage: 'frozen',
    keeps: 180,
  },
  {
    name: 'reduced in an open oven',
    list: '3 l grape juice',
    method:
      'Simmer the juice over a low flame for 3 to 4 hours until only a fifth is left and it is as thick as honey. Pour into hot jars.',
    steps: ['reduce f0.2 m210 low off', 'fill'],
    storage: 'cold',
  },
  {
    name: 'steamed jars',
    list: '1 l redcurrant juice\n700 g sugar\n20 ml lemon juice',
    method:
      'Bring the juice, sugar and lemon juice to a full rolling boil and boil for exactly 1 minute. Fill hot jars to within 1/4 inch of the rim. Steam the jars for 15 minutes. Rest for 5 minutes with the lid off, then lift out. Check the seals after 24 hours.',
    steps: ['heat m1 off kill', 'fill', 'process m15', 'rest m5', 'measure m1440'],
    storage: 'shelf',
  },
  {
    name: 'soaked, rinsed and soaked again',
    list: '200 g dried apricots\n1 l water\n300 g sugar',
    method:
      'Rinse the apricots, cover them with half the water and soak for 8 hours. Simmer in the soaking water, covered, for 30 minutes. Blend and pass through a sieve. Add the rest of the water and the sugar. Bring back to the boil for 2 minutes. Fill.',
    steps: [
      'prepare',
      'add',
      'draw:cold m480',
      'draw:cooked m30',
      'draw:blended',
      'strain',
      'add',
      'heat m2 kill',
      'fill',
    ],
    storage: 'cold',
  },
  {
    name: 'held where it was, under the boil',
    list: '1 l grape juice\n200 g sugar',
    method:
      'Do not boil this. Stir the sugar into the juice. Heat it to 190 °F, and hold it there for 10 minutes. Bottle.',
    steps: ['add', 'heat c87.8 m10 never', 'fill'],
    storage: 'cold',
  },
];
