/** An account as somebody tells it while cooking, with what was used and done, set down by hand before it was read. */
export interface ToldAccount {
  name: string;
  text: string;
  /** What was used, in order: `id amount`; `?` where it is asked about, alone where no amount was said. */
  lines: string[];
  /** Its steps, as the written methods have theirs. */
  steps: string[];
  storage: 'shelf' | 'cold' | 'frozen';
  keeps?: number;
}

export const told: ToldAccount[] = [
  {
    name: 'put right in the same breath',
    text: `Okay, so I've got two pounds of strawberries here. They're from the patch behind the shed, and they smell wonderful. I'm going to put them in the pot with one cup of sugar. No, two cups. My grandmother always said that you can't have too much sugar, and look where that got her. Then I'm going to simmer that for fifteen minutes. Now I'm straining it through a cloth. And I'm adding a tablespoon of lemon juice at the end. Pour it into bottles and put it in the fridge.`,
    lines: ['strawberry 2 lb', 'sugar 2 cups', 'lemon-juice 1 tbsp'],
    steps: ['add', 'draw:cooked m15', 'strain:drip', 'add', 'fill', 'rest'],
    storage: 'cold',
  },
  {
    name: 'half now, the other half later',
    text: `Right. We have a kilo of damsons and six hundred grams of sugar today. Half of the sugar goes in with the damsons now. Give it a stir. We leave that overnight. Good morning! It has drawn a lot of juice. Bring it to a boil and cook it for ten minutes. I pour it through the jelly bag and let it drip for four hours. Then the other half of the sugar goes in. Boil it for two minutes and bottle it.`,
    lines: ['damson 1 kg', 'sugar 300 g', 'sugar 300 g'],
    steps: [
      'add',
      'draw:cold m720',
      'draw:cooked m10 kill',
      'strain:drip m240',
      'add',
      'heat m2 kill',
      'fill',
    ],
    storage: 'cold',
  },
  {
    name: 'the recipe says, and I use',
    text: `The recipe calls for three cups of sugar, but I'm only using two. I have four cups of blueberries, and a cup and a half of water. Everything goes into the pan. Bring that up to a boil, turn it down and let it simmer for twenty minutes. The book says ten minutes but I never got anything out of them in ten. Strain it, pushing with the back of a spoon. Done. It'll keep in the refrigerator for about a month.`,
    lines: ['sugar 2 cups', 'blueberry 4 cups', 'water 1.5 cups'],
    steps: ['add', 'draw:cooked m20 low kill', 'strain:press'],
    storage: 'cold',
    keeps: 30,
  },
  {
    name: 'a shrub by ounces',
    text: `So today we're making a peach shrub. You want ripe peaches, I have about three pounds. Chop them up, leave the skins on. Toss the peaches with a pound of sugar, and stick that in the fridge for two days. Two days later, and you can see all this liquid. Strain it. Press on the fruit. Now I'm measuring out twelve fluid ounces of apple cider vinegar. Whisk the vinegar in. Some people use white vinegar, I don't care for it. Bottle it and refrigerate it for a week before you drink it.`,
    lines: ['? 3 lb', 'sugar 1 lb', 'cider-vinegar 12 fl oz'],
    steps: ['prepare', 'add', 'draw:cold m2880 c5', 'strain:press', 'add', 'fill', 'rest m10080'],
    storage: 'cold',
  },
  {
    name: 'how much was not said',
    text: `I'm boiling some rhubarb with a little bit of water. It's about that much water, you can see it here. Let it go for twenty-five minutes, lid on. I hang it in a muslin overnight. For every pint of juice I use three quarters of a pound of sugar. Heat the juice with the sugar until it dissolves and then boil it for five minutes. Funnel it into bottles.`,
    lines: ['rhubarb ?', 'water ?', 'sugar 3/4 lb per yield'],
    steps: ['draw:cooked m25 kill', 'strain:drip m720', 'heat m5 kill', 'fill'],
    storage: 'cold',
  },
  {
    name: 'which of two',
    text: `Here are 500 grams of cherries and 500 grams of raspberries. I add 200 grams of sugar to the cherries. Then I put another 100 grams of it in. Crush everything and let it stand for six hours at room temperature. Squeeze it through a cloth.`,
    lines: ['cherry 500 g', 'raspberry 500 g', 'sugar 200 g', '? 100 g'],
    steps: ['add', 'add', 'prepare', 'draw:cold m360', 'strain:press'],
    storage: 'cold',
  },
  {
    name: 'another half cup',
    text: `I've started with a litre of apple juice, and I'm putting in half a cup of honey. Tasting it. Mm, not sweet enough, so I'll add another quarter cup of honey. Warm it gently, don't let it boil. Then five grams of citric acid go in. Pour into clean bottles and freeze.`,
    lines: ['apple-juice 1 l', 'honey 0.5 cup', 'honey 0.25 cup', 'citric-anhydrous 5 g'],
    steps: ['add', 'measure', 'add', 'heat never', 'add', 'fill', 'rest'],
    storage: 'frozen',
  },
  {
    name: 'the clock was lost',
    text: `Four pounds of grapes, washed and off the stems. I mash them and put them in the pan with two cups of water. I'm going to let this simmer for ten minutes. Okay, I got a phone call, so that was actually eighteen minutes. Strain through a sieve lined with cheesecloth. I got five cups of juice. To that I'm adding three cups of sugar. Bring it to a rolling boil for one minute. Ladle it into hot jars, and process them in a water bath for fifteen minutes. Leave them alone for 24 hours.`,
    lines: ['? 4 lb', 'water 2 cups', 'sugar 3 cups'],
    steps: [
      'prepare',
      'add',
      'draw:cooked m18',
      'strain:drip',
      'add',
      'heat m1 off kill',
      'fill',
      'process m15',
      'rest m1440',
    ],
    storage: 'shelf',
  },
  {
    name: 'as an old hand tells it',
    text: `My mother made this every June. You take thirty elderflower heads, shake the beetles off, and lay them in a crock. Dissolve one and a half kilos of sugar in a litre of boiling water. Pour it over the flowers. Two lemons, sliced, go in as well, and fifty grams of citric acid. Cover it with a plate and leave it for three days, stirring morning and night. Then strain it through muslin into clean bottles. She kept it in the cellar, but I put mine in the fridge, and it lasts six weeks.`,
    lines: ['elderflower 30', 'sugar 1.5 kg', 'water 1 l', 'lemon 2', 'citric-anhydrous 50 g'],
    steps: ['prepare', 'add', 'add', 'add', 'add', 'draw:infused m4320', 'strain:drip', 'rest'],
    storage: 'cold',
    keeps: 42,
  },
  {
    name: 'spices put right by name',
    text: `I need one stick of cinnamon and six cloves. Sorry, not cloves, cardamom pods. Those go in a pan with 700 ml of water and 350 g of brown sugar. Simmer for half an hour with the lid half on. Turn the heat off and let that steep for an hour. Strain out the spices. Done, that goes into the bottle.`,
    lines: ['cinnamon 1 stick', 'cardamom 6', 'water 700 ml', 'brown-sugar 350 g'],
    steps: ['add', 'draw:cooked m30 half', 'draw:infused m60', 'strain', 'fill'],
    storage: 'cold',
  },
  {
    name: 'reduced by a mark on the pan',
    text: `This is two litres of pomegranate juice from the market. It's four inches deep in my pan. I want to boil that down until only a quarter of it is left, with the lid off. That took an hour and ten minutes. Off the heat I stir in three tablespoons of lemon juice. Let it cool down completely. It goes into small bottles.`,
    lines: ['pomegranate-juice 2 l', 'lemon-juice 3 tbsp'],
    steps: ['reduce f0.25 m70 off', 'add', 'rest', 'fill'],
    storage: 'cold',
  },
  {
    name: 'in Fahrenheit, by the thermometer',
    text: `We're doing black currants, five pounds of them, and a quart of water. Cook them at 180 degrees Fahrenheit for thirty minutes, you don't want to boil them. Run that through the food mill. I got 1.2 litres. Then I weighed out 800 grams of sugar, and that all went in. Heat it up to 190 F and hold it there for ten minutes. Fill the bottles while it's hot and cap them.`,
    lines: ['blackcurrant 5 lb', 'water 1 quart', 'sugar 800 g'],
    steps: ['draw:cooked c82.2 m30 never', 'strain:press', 'add', 'heat c87.8 m10 never', 'fill'],
    storage: 'cold',
  },
  {
    name: 'a range, and a choice',
    text: `Take eight or nine plums, and a cup of white sugar or honey, whatever you have. Cut the plums in half and take out the stones. Layer the plums and the sugar in a jar. Leave it on the counter for three or four days. Strain. That's it.`,
    lines: ['plum 8 to 9', 'sugar 1 cup'],
    steps: ['prepare', 'add', 'draw:jar m5040 ?', 'strain'],
    storage: 'cold',
  },
  {
    name: 'without stops, as it was dictated',
    text: `okay so i have one kilogram of quinces and i have washed them and chopped them up and now i'm putting them in the big pan with two litres of water and i'm bringing that to a boil and then i let it simmer for an hour and a half with the lid on and then it drips through the cloth overnight and tomorrow i add seven hundred and fifty grams of sugar and boil it for ten minutes`,
    lines: ['quince 1 kg', 'water 2 l', 'sugar 750 g'],
    steps: ['prepare', 'add', 'draw:cooked m90 kill', 'strain:drip m720', 'add', 'heat m10 kill'],
    storage: 'cold',
  },
  {
    name: 'said once, and put right much later',
    text: `I've weighed out 400 grams of ginger and 600 grams of sugar. I grate the ginger and put it in the pot with a litre of water. Boil it for twenty minutes. Strain it through a fine sieve. Oh wait, I said 600 grams of sugar, it was 650. So the sugar goes in now, together with the juice of two limes. Stir until it has dissolved. Bring it back to the boil for three minutes. Bottle.`,
    lines: ['ginger 400 g', 'sugar 650 g', 'water 1 l', 'lime-juice 2'],
    steps: ['prepare', 'add', 'draw:cooked m20 kill', 'strain', 'add', 'heat m3 kill', 'fill'],
    storage: 'cold',
  },
];
