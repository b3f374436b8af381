/**
 * Lines that must ask or be refused, with what is asked: "which" thing, "unknown" thing, how much ("amount"), what it "weighs",
 * "ounce", "thousands", "follows", "pour", "by", "strength", "two" things, "same" amount, "left" words, or "refused".
 */
export const asking = `
1 cup apple cider | which
a handful of lemon leaves | which
50 ml vinegar | which
1 l vinegar with herbs | which
3 kaki | unknown
2 cups moonbeams | unknown
1 cup cherry blossom | which
1 cup damson gin | which
200 g coconut | which
1 cup cherry brandy | which
1 cup raspberry syrup | which
100 g ginger syrup | which
2 cups elderberry wine | which
1 cup damson jam | which
50 g mint syrup | which
20 g orange pith | which
1 cup apple butter | which
500 g apple puree | which
20 g honeycomb | unknown
100 g sugar snap peas | which
2 tsp salt substitute | which
1 cup rosemary honey | which
2 cups cherry tomatoes | which
500 g sugar beet | which
1 kg watermelon rind | which
50 g garlic powder | which
2 kg pumpkin seeds | which
1 kg smoked plums | which
500 g quince paste | which
1 cup pear cider | which
100 ml cherry vinegar | which
200 ml lemon vinegar | which
1 cup hibiscus syrup | which
300 ml mango nectar | which
250 g fig jam | which
2 tbsp ginger wine | which
1 cup orange soda | which
5 g clove cigarettes | which
1 cup rhubarb custard | which
1 kg peaches | which
1 kg grapes | which
500 g currants, mixed | which
1 kg mixed berries | which
500 g berries | which
2 cups juice | which
1 cup syrup | which
100 ml spirit | which
30 g peel | which
2 tbsp acid | which
100 g plum stones and skins | refused
1 bottle vodka | weighs
a splash of brandy | weighs
a glug of honey | weighs
a handful of mint | weighs
a capful of dark rum | weighs
a mug of sugar | weighs
3 spoons of sugar | weighs
2 bags of sugar | weighs
a box of raspberries | weighs
1 punnet strawberries | weighs
1 tin of pineapple | weighs
a jar of honey | weighs
2 packets of pectin | weighs
1 T. sugar | weighs
3 sugar | weighs
2 water | weighs
1 cucumber | weighs
6 sprigs of sugar | weighs
4 slices of honey | weighs
2 inches of sugar | left
92c water | left
20 minutes of sugar | left
8 oz sugar | ounce
8 oz water | ounce
4 ounces lemon juice | ounce
1 (14 oz) can coconut milk | ounce
2 oz vodka | ounce
6 oz honey | ounce
1,500 kg sugar | thousands
2,250 l water | thousands
1.250 kg sugar | thousands
sugar | amount
water | amount
lemon juice | amount
salt to taste | amount
honey, to taste | amount
a vanilla pod or two | which
some sugar | amount
sugar as needed | which
plenty of mint | which
ice | unknown
a little salt | amount
more sugar | which
water to cover | pour
enough water to cover the fruit | pour
cider vinegar, to cover | pour
just enough water to cover | pour
top up with sparkling water | pour
the rest of the sugar | pour
the remaining water | pour
honey to fill the jar | pour
vodka to the brim | pour
half as much sugar as quince | follows
sugar, half the weight of the fruit | follows
its own weight in sugar | follows
the same weight of sugar | follows
a third of its weight in sugar | follows
60 % of the fruit in sugar | follows
as many limes as lemons | follows
400 g sugar per kg of fruit | follows
1 cup sugar for every pound of plums | follows
twice as much water as honey | follows
1:1 sugar to juice | by
2:1 sugar to liquid | by
one part sugar to two parts juice | by
equal parts sugar and water | amount; by
sugar and water in equal parts | amount; by
300 ml cider vinegar (6 %) | strength
200 ml white vinegar, 10% acidity | strength
100 ml vodka (50 %) | strength
5 % sugar | amount
sugar and water, 2 cups | two
2 cups of sugar and honey | two
lemon juice and lime juice | two
500 g raspberries and blackberries | two
2 cups (900 g) sugar | same
1 kg / 5 lb plums | same
1 cup cherry (bark) | refused
1 cup cherry (blossom) | which
2 kg plums, 3 of them bruised | which
500 g sugar for the second boil of tomorrow | which
1 kg damsons picked by my aunt | which
2 cups sugar minus a spoon | which
2 cups sugar less one tablespoon | which
500 g not quite ripe bananas | which
no sugar | which
2 kg sour cherries yellow | which
1 kg quinces instead of apples | which
sugar 500 g of it in the morning | which
up to 2 cups sugar | which
at least 500 g sugar | which
3 to 2 cups sugar | left
0 g sugar | left
10/0 cups sugar | left
2 cups suger | unknown
1 kg rasberries | unknown
500 g damsens | unknown
1 tsp cinamon | unknown
2 tbsp vineger | unknown
zumo de limón 100 ml | unknown
500 g Zucker | unknown
1 cup lily of the valley | refused
1 cup foxgloves | refused
2 cups yew berries | refused
a handful of rhubarb leaves | refused
10 leaves of rhubarb | refused
50 g apricot kernels | refused
1 cup cherry stones | refused
2 tbsp bitter almonds | refused
100 g raw elderberries | refused
20 g elder bark | refused
5 cherry leaves | refused
10 peach leaves | refused
1 tonka bean | refused
30 g sweet woodruff | refused
20 g wormwood | refused
10 g sassafras root | refused
5 g cinchona bark | refused
1 bunch of tansy | refused
3 sprigs of pennyroyal | refused
2 cups oleander flowers | refused
100 g holly-berries | refused
1 cup laburnum pods | refused
a florist's bouquet of roses | refused
100 g privet berries | refused
20 g mistletoe | refused
1 cup daffodils | refused
30 g hemlock | refused
200 g snowdrops | refused
1 cup honeysuckle berries | refused
10 g comfrey | refused
1 cup lantana berries | refused
100 g nightshade berries | refused
50 g cherry laurel berries | refused
2 kg rhubarb with leaves | refused
1 kg rhubarb, leaves on | refused
1 cup buttercups | refused
2 kg elderberries with stems | refused
1 tsp baking powder | which
3 tbsp lemon juice concentrate | which
1 cup cherry pie filling | which
2 tbsp honey mustard | which
1 cup lemon curd | which
1 cup lavender honey | which
5 kg elderberries (raw) | refused
1 kg elderberries, stems left on | refused
1 kg elderberries, stalks and all | which
1 cup tarragon vinegar | which
1 cup wine | which
1 cup cider | which
1/4 teaspoon citric acid per pint | jar
lemon juice, 2 tbsp per quart | jar
`;
