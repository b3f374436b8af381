/**
 * Lines as cooks write and say them, with what each has to be read as: amount and unit (a range with "–"), the thing, and what it is told by.
 * Several things of one line stand apart by ";". Behind "or" stand the alternatives, "optional" says it may be left out.
 */
export const understood = `
2 kg sour cherries, stoned | 2 kg sour-cherry
4kg damsons | 4 kg damson
- 500 g raspberries | 500 g raspberry
* 1.5 kg rhubarb, trimmed | 1.5 kg rhubarb
• 750g granulated sugar | 750 g sugar
3) 20 g citric acid | 20 g citric-anhydrous
1,5 kg plums | 1.5 kg plum
2½ cups sugar | 2.5 cup sugar
2 1/2 cups sugar | 2.5 cup sugar
1-1/2 cups water | 1.5 cup water
1 ½ cups water | 1.5 cup water
one and a half cups of water | 1.5 cup water
one and three quarter cups of sugar | 1.75 cup sugar
two-thirds of a cup of honey | 0.6667 cup honey
two thirds cup honey | 0.6667 cup honey
half a cup of lime juice | 0.5 cup lime-juice
half a teaspoon of salt | 0.5 tsp salt
a quarter teaspoon ground cloves | 0.25 tsp ground-clove
an eighth of a teaspoon of cayenne | 0.125 tsp cayenne
three quarters of a pound of blackberries | 0.75 lb blackberry
a pound and a half of apricots, stoned | 1.5 lb apricot
a cup and a half of cider vinegar | 1.5 cup cider-vinegar
two pounds and a quarter of gooseberries | 2.25 lb gooseberry
1 and 1/3 cups water | 1.3333 cup water
eight to nine cups of blueberries | 8–9 cup blueberry
8-9 cups blueberries | 8–9 cup blueberry
8 or 9 sprigs of mint | 8–9 sprig mint
a quarter to half a teaspoon of ground cinnamon | 0.25–0.5 tsp ground-cinnamon
between 2 and 3 cups of water | 2–3 cup water
1 cup to 1½ cups water | 1–1.5 cup water
a few sprigs of thyme | 3–5 sprig thyme
a couple of sprigs of rosemary | 2–3 sprig rosemary
several sprigs of lemon balm | 4–7 sprig lemon-balm
a dozen cloves | 12 each clove
half a dozen cardamom pods | 6 each cardamom
two dozen heads of elderflower | 24 head elderflower
twenty five grams of malic acid | 25 g malic-acid
two hundred and fifty grams of sugar | 250 g sugar
about 3 lb of crab apples | 3 lb crab-apple
approx. 200 ml water | 200 ml water
roughly 1 litre of water | 1 l water
1 litre cold water | 1 l water
2 quarts water | 2 quart water
half a gallon of apple juice | 0.5 gallon apple-juice
a pint of vodka | 1 pint vodka
1 lb 6 oz brown sugar | 1.375 lb brown-sugar
3 lb and 8 oz damsons | 3.5 lb damson
1 cup and 2 tablespoons sugar | 1 cup + 2 tbsp sugar
1 cup plus 2 tbsp white sugar | 1 cup + 2 tbsp sugar
8 oz by weight honey | 8 oz honey
8 fluid ounces bottled lemon juice | 8 floz bottled-lemon-juice
12 oz raspberries | 12 oz raspberry
two 500 g bags of frozen raspberries | 1000 g frozen-raspberry
2 x 1.5 l water | 3 l water
3 × 250 g blueberries | 750 g blueberry
a 750 ml bottle of white wine vinegar | 750 ml wine-vinegar
one 14 oz bag of frozen blueberries | 14 oz frozen-blueberry
1 (1 kg) bag sugar | 1 kg sugar
700 ml bottle gin | 700 ml gin
an inch of ginger | 1 in ginger
a 2 inch piece of ginger, peeled and sliced | 2 in ginger
a 5 cm piece of fresh ginger | 5 cm ginger
a thumb of ginger, grated | 1 thumb ginger
two 3-inch cinnamon sticks | 2 each cinnamon
a 3-inch stick of cinnamon | 1 stick cinnamon
3 cinnamon sticks | 3 each cinnamon
1 stick of cinnamon | 1 stick cinnamon
10 cloves | 10 each clove
6 whole cloves | 6 each clove
3 star anise | 3 each star-anise
4 bay leaves | 4 each bay
2 dried bay leaves | 2 each dried-bay
12 cardamom pods, crushed | 12 each cardamom
1 vanilla pod, split lengthwise | 1 each vanilla
half a vanilla bean | 0.5 each vanilla
5 allspice berries | 5 each allspice
1/4 teaspoon black peppercorns, lightly crushed | 0.25 tsp black-pepper
1 tsp ground ginger | 1 tsp ground-ginger
1 tsp ginger powder | 1 tsp ground-ginger
20 g dried ginger | 20 g dried-ginger
50 g candied ginger, chopped | 50 g candied-ginger
10 g turmeric root, sliced | 10 g turmeric
1 stalk lemongrass, bruised | 1 stalk lemongrass
2-3 makrut lime leaves | 2–3 each makrut-leaf
10 g dried hibiscus | 10 g hibiscus
2 tablespoons dried lavender | 2 tbsp dried-lavender
30 g chamomile flowers | 30 g chamomile
1 tbsp rose water | 1 tbsp rose-water
2 tsp orange blossom water | 2 tsp orange-flower-water
1 tsp vanilla extract | 1 tsp vanilla-extract
1/2 tsp almond extract | 0.5 tsp almond-extract
3 drops of lemon oil | 3 drop lemon-oil
2 dashes aromatic bitters | 2 dash bitters
a pinch of salt | 1 pinch salt
a generous pinch of salt | 1–1.2 pinch salt
2 heaped tablespoons honey | 2.4–4 tbsp honey
1 level teaspoon citric acid | 1 tsp citric-anhydrous
a scant cup of sugar | 0.85–1 cup sugar
2 shots of gin | 2 shot gin
1 jigger dark rum | 1 jigger dark-rum
sugar, 500 g | 500 g sugar
Sugar: 500 g | 500 g sugar
sugar 500g | 500 g sugar
Sugar - 2 cups | 2 cup sugar
Water: 1½ litres | 1.5 l water
plums 2 kg | 2 kg plum
plums, stoned, 2 kg | 2 kg plum
500 ml cider vinegar (5%) | 500 ml cider-vinegar
300 ml cider vinegar, 5% acidity | 300 ml cider-vinegar
200 ml rice vinegar | 200 ml rice-vinegar
50 ml balsamic vinegar | 50 ml balsamic-vinegar
1 cup sherry vinegar | 1 cup sherry-vinegar
2 tbsp vodka (40 %) | 2 tbsp vodka
100 ml dry white wine | 100 ml white-wine
juice of half a lemon | 0.5 each lemon-juice
the juice of 3 lemons | 3 each lemon-juice
juice from 2 limes | 2 each lime-juice
zest of 1 orange | 1 each orange-peel
grated zest of 1 large unwaxed orange | 1 each orange-peel
the pared peel of 2 lemons | 2 each lemon-peel
zest and juice of two limes | 2 each lime-peel; 2 each lime-juice
juice and zest of 1 orange | 1 each orange-juice; 1 each orange-peel
2 lemons, juiced | 2 each lemon-juice
2 limes, zested and juiced | 2 each lime-peel; 2 each lime-juice
3 lemons, zest and juice | 3 each lemon-peel; 3 each lemon-juice
4 lemons, whole, blended | 4 each lemon
2 lemons | 2 each lemon
zest of 2 lemons and juice of 1 | 2 each lemon-peel; 1 each lemon-juice
juice of 3 oranges and the grated zest of 1 lime | 3 each orange-juice; 1 each lime-peel
two 2-inch pieces of ginger | 4 in ginger
1 2-inch piece of ginger | 2 in ginger
a cup or two of sugar | 1–2 cup sugar
5 dl water | 5 dl water
75cl vodka | 75 cl vodka
2 teaspoonfuls citric acid | 2 tsp citric-anhydrous
6 clementines, juiced | 6 each clementine-juice
zest of 2 tangerines | 2 each tangerine-peel
2 tbsp kirsch | 2 tbsp kirsch
200 g coconut sugar | 200 g coconut-sugar
2 kg damsons, stones left in | 2 kg damson
2 kg rhubarb, leaves removed | 2 kg rhubarb
2 cups chopped rhubarb | 2 cup rhubarb
3 cups apples, cored and sliced | 3 cup apple
2 cups finely grated carrot | 2 cup carrot
1 cup pureed strawberries | 1 cup strawberry
3 large oranges, sliced | 3 each orange
500 g kumquats, halved | 500 g kumquat
1 kg Seville oranges | 1 kg seville-orange
2 grapefruit | 2 each grapefruit
strips of zest from 1 orange | 1 each orange-peel
3 strips of lemon peel | 3 strip lemon-peel
2 twists of orange peel | 2 twist orange-peel
1 cup fresh lemon juice (about 6 lemons) | 1 cup lemon-juice
100 ml lime juice (from 3 to 4 limes) | 100 ml lime-juice
2 cups sugar (about 400 g) | 2 cup sugar
2 cups (400 g) sugar | 2 cup sugar
1.5kg/3lb 5oz damsons | 1.5 kg damson
1 kg / 2.2 lb plums | 1 kg plum
2 tbsp or 30 g honey | 2 tbsp honey or 30 g honey
1 cup honey or 3/4 cup sugar | 1 cup honey or 0.75 cup sugar
1 cup raspberries or blackberries | 1 cup raspberry or 1 cup blackberry
500 g fresh or frozen raspberries | 500 g raspberry or 500 g frozen-raspberry
100 ml lemon or lime juice | 100 ml lemon-juice or 100 ml lime-juice
250 g white or brown sugar | 250 g sugar or 250 g brown-sugar
a pinch of salt (optional) | 1 pinch salt optional
1 vanilla pod, optional | 1 each vanilla optional
2 tbsp brandy, if you like | 2 tbsp brandy optional
1/2 tsp salt, or to taste | 0.5 tsp salt
sugar and water, 2 cups each | 2 cup sugar; 2 cup water
1 tsp each ground cinnamon and ground cloves | 1 tsp ground-cinnamon; 1 tsp ground-clove
5 sprigs each of thyme and rosemary | 5 sprig thyme; 5 sprig rosemary
1 cup sugar per pint of juice | 1 cup sugar per 1 pint yield by volume
3/4 cup sugar for each cup of juice | 0.75 cup sugar per 1 cup yield by volume
1 lb sugar to each pint of juice | 1 lb sugar per 1 pint yield by volume
800 g sugar per litre of juice | 800 g sugar per litre yield by volume
a cup of sugar per litre of juice | 1 cup sugar per litre yield by volume
20 g citric acid for every litre of strained juice | 20 g citric-anhydrous per litre yield by volume
50 g sugar per 100 ml juice | 50 g sugar per 100 ml yield by volume
2 tsp bottled lemon juice in each half-pint jar | 2 tsp bottled-lemon-juice per bottle 237
1 tablespoon lemon juice per jar | 1 tbsp lemon-juice per bottle
1/4 tsp citric acid per pint jar | 0.25 tsp citric-anhydrous per bottle 473
1/2 tsp citric acid in each quart jar | 0.5 tsp citric-anhydrous per bottle 946
a sprig of rosemary in each bottle | 1 sprig rosemary per bottle
a strip of lemon peel in each | 1 strip lemon-peel per bottle
2 cloves in each jar | 2 each clove per bottle
1 tsp honey per 250 ml bottle | 1 tsp honey per bottle 250
3/4 of the juice in sugar | ×0.75 sugar yield by volume
half the weight of the juice in sugar | ×0.5 sugar yield by weight
equal volume of cider vinegar to juice | ×1 cider-vinegar yield by volume
sugar, 60 % of the juice | ×0.6 sugar yield by volume
one part sugar to two parts juice by weight | ×0.5 sugar yield by weight
1:1 sugar to juice by volume | ×1 sugar yield by volume
twice as much water as juice | ×2 water yield by volume
half as much honey as liquid | ×0.5 honey yield by volume
2 lbs. strawberries, hulled and quartered | 2 lb strawberry
500 g rhubarb, cut into 2 cm pieces | 500 g rhubarb
2 cups boiling water | 2 cup water
1 L freshly boiled water | 1 l water
2 medium apples, cored and chopped | 2 each apple
3 ripe pears, peeled, cored and cubed | 3 each pear
1 kg red-currants, stripped | 1 kg redcurrant
1 kg black currants | 1 kg blackcurrant
1 kg blackcurrants, topped and tailed | 1 kg blackcurrant
10 elder-flower heads | 10 each elderflower
20 elderflower heads, shaken free of insects | 20 each elderflower
300 g elderberries, stripped from the stalks | 300 g elderberry
2 kg elderberries, stems removed | 2 kg elderberry
1 kg cherries, sour, stoned | 1 kg sour-cherry
2 kg dark cherries | 2 kg cherry
1 kg yellow peaches, stones removed | 1 kg peach
600 g pineapple, peeled and cored | 600 g pineapple
200 ml pomegranate juice | 200 ml pomegranate-juice
300 ml unsweetened cranberry juice | 300 ml cranberry-juice
500 ml pasteurised apple juice | 500 ml bottled-apple-juice
250 g dried apricots, chopped | 250 g dried-apricot
200 g dried figs | 200 g dried-fig
100 g raisins | 100 g raisin
250 g caster sugar | 250 g sugar
400 g demerara sugar | 400 g cane-sugar
300 g dark muscovado sugar | 300 g dark-muscovado
2 tbsp molasses | 2 tbsp molasses
100 ml agave syrup | 100 ml agave-syrup
150 g golden syrup | 150 g golden-syrup
60 g erythritol | 60 g erythritol
200 g maple syrup | 200 g maple-syrup
15 g cream of tartar | 15 g cream-of-tartar
1 tsp baking soda | 1 tsp baking-soda
5 g potassium sorbate | 5 g potassium-sorbate
8 g pectin | 8 g pectin
30 g green tea | 30 g green-tea
4 tsp black tea leaves | 4 tsp black-tea
25 g rooibos | 25 g rooibos
40 g ground coffee | 40 g coffee
a cup of strong tea | 1 cup brewed-tea
2 chillies, sliced | 2 each chilli
1 tsp chilli flakes | 1 tsp chilli-flakes
3 garlic cloves | 3 clove garlic
2 cloves of garlic, bruised | 2 clove garlic
500 g beetroot, peeled | 500 g beet
600 g cucumber, sliced | 600 g cucumber
1 kg tomatoes | 1 kg tomato
30 g mint leaves | 30 g mint
a bunch of mint | 1 bunch mint
15 g basil | 15 g basil
1/2 cup lemon verbena leaves, loosely packed | 0.5 cup lemon-verbena
8 leaves of lemon verbena | 8 leaf lemon-verbena
20 g sage leaves | 20 g sage
1 tbsp coriander seed | 1 tbsp coriander-seed
2 tsp fennel seeds, toasted | 2 tsp fennel-seed
2 tsp fennel seeds, crushed | 2 tsp fennel-seed
1 tsp juniper berries | 1 tsp juniper
3 blades of mace | 3 blade mace
1 litre sparkling water | 1 l sparkling-water
100 ml milk | 100 ml milk
2 tbsp white rum | 2 tbsp white-rum
200 g frozen sour cherries | 200 g frozen-sour-cherry
500 g sloes, pricked | 500 g sloe
700 g rosehips | 700 g rosehip
400 g sea buckthorn | 400 g sea-buckthorn
2 kg quinces, cored and chopped | 2 kg quince
1 kg Concord grapes | 1 kg grape
300 g passion fruit pulp | 300 g passion-fruit
6 passion fruit | 6 each passion-fruit
5 kiwi fruit, peeled | 5 each kiwi
200 g tamarind paste | 200 g tamarind
50 g spruce tips | 50 g spruce-tip
1 l birch sap | 1 l birch-sap
40 g cocoa powder | 40 g cocoa
2 tsp liquorice root, dried | 2 tsp liquorice
1 cup verjuice | 1 cup verjuice
500 g mirabelles, stoned | 500 g mirabelle
300 g lingonberries | 300 g lingonberry
250 g prickly pears, peeled | 250 g cactus-pear
half a kilo of sugar | 0.5 kg sugar
a kilo of quinces | 1 kg quince
a quarter of a litre of water | 0.25 l water
ten strawberries | 10 each strawberry
a stick of cinnamon | 1 stick cinnamon
a strip of orange zest | 1 strip orange-peel
1 tablespoon of citric acid, dissolved | 1 tbsp citric-anhydrous
2 tbsp. lemon juice | 2 tbsp lemon-juice
2 Tbs. lime juice | 2 tbsp lime-juice
3 c. sugar | 3 cup sugar
3 c sugar | 3 cup sugar
1 qt. water | 1 quart water
2 pts cider vinegar | 2 pint cider-vinegar
½ oz citric acid by weight | 0.5 oz citric-anhydrous
0.5 tsp salt | 0.5 tsp salt
.5 l water | 0.5 l water
2 kilos of rhubarb | 2 kg rhubarb
a little over 2 kg plums | 2 kg plum
2 kg plums, stoned weight | 2 kg plum
1 lemon, sliced | 1 each lemon
2 oranges, juice of | 2 each orange-juice
1 lemon, juice only | 1 each lemon-juice
`;
