/**
 * The plants that are poisonous in any amount, as they are called in botany and in other languages: a name is no less poisonous in another tongue. Letters as
 * they are transliterated; without their accents they are found as well.
 */
export const abroad: readonly string[] = [
  // Botany.
  'convallaria, digitalis purpurea, digitalis lanata, nerium, nerium oleander, taxus, taxus baccata, conium, conium maculatum, cicuta, cicuta virosa',
  'oenanthe crocata, aconitum, aconitum napellus, atropa, atropa belladonna, hyoscyamus, datura stramonium, brugmansia, mandragora, laburnum anagyroides',
  'colchicum autumnale, helleborus, helleborus niger, delphinium, consolida, lantana camara, ricinus, ricinus communis, abrus precatorius, arum maculatum',
  'euonymus europaeus, ligustrum, hedera, hedera helix, ilex aquifolium, viscum, viscum album, symphoricarpos, daphne mezereum, kalmia latifolia',
  'prunus laurocerasus, wisteria sinensis, galanthus, hyacinthoides, bryonia, phytolacca, phytolacca americana, actaea, menispermum, jacobaea vulgaris',
  'senecio jacobaea, heracleum mantegazzianum, ageratina altissima, solanum nigrum, solanum dulcamara, aesculus hippocastanum, vinca, vinca minor',
  'chelidonium, chelidonium majus, ranunculus, caltha, clivia, buxus, buxus sempervirens, cytisus scoparius, ornithogalum, gloriosa superba, dieffenbachia',
  'robinia bark, ailanthus, veratrum, veratrum album, sanguinaria, podophyllum, arisaema, apocynum, asclepias, lobelia inflata, petasites, cynoglossum',
  'frangula, rhamnus cathartica, tamus communis, paris quadrifolia, aethusa, aethusa cynapium, amanita, amanita phalloides, amanita muscaria, claviceps',
  'nicotiana tabacum, pausinystalia, gelsemium, hippomane, strychnos, physostigma, hura crepitans, illicium anisatum, juniperus sabina, thuja occidentalis',
  'aristolochia clematitis, larrea, teucrium chamaedrys, symphytum, symphytum officinale, tanacetum vulgare, tussilago, mentha pulegium, ruta graveolens',
  'artemisia absinthium, acorus calamus, sassafras albidum, dipteryx odorata, galium odoratum, sambucus ebulus, sambucus racemosa, melia azedarach, cerbera',
  // German.
  'maigloeckchen, maiglockchen, fingerhut, roter fingerhut, oleander, narzisse, osterglocke, schierling, wasserschierling, eibe, eibennadel, eisenhut',
  'blauer eisenhut, sturmhut, tollkirsche, schwarzer nachtschatten, bittersuesser nachtschatten, bilsenkraut, stechapfel, engelstrompete, alraune, goldregen',
  'herbstzeitlose, christrose, nieswurz, rittersporn, wunderbaum, rizinus, paternostererbse, aronstab, wolfsmilch, pfaffenhuetchen, liguster, efeu',
  'stechpalme, mistel, schneebeere, seidelbast, rhododendron, kirschlorbeer, glyzinie, schneegloeckchen, hyazinthe, zaunruebe, kermesbeere, jakobskreuzkraut',
  'riesenbaerenklau, rosskastanie, immergruen, kornrade, schoellkraut, sumpfdotterblume, hahnenfuss, buchsbaum, besenginster, einbeere, hundspetersilie',
  'knollenblaetterpilz, fliegenpilz, mutterkorn, tabak, beinwell, rainfarn, weinraute, huflattich, poleiminze, wermut, kalmus, waldmeister, zwergholunder',
  'roter holunder, bittermandel, aprikosenkern, pfirsichkern, kirschkern, rhabarberblatt, attich, germer, sadebaum',
  // French.
  'muguet, muguet de mai, digitale, digitale pourpre, laurier rose, jonquille, narcisse, cigue, grande cigue, ciguee aquatique, if commun, aconit',
  'aconit napel, belladone, morelle noire, douce amere, jusquiame, stramoine, datura, trompette des anges, mandragore, cytise, faux ebenier, colchique',
  'colchique d automne, hellebore, rose de noel, pied d alouette, ricin, gouet, arum tachete, euphorbe, fusain, troene, lierre, houx, gui, symphorine',
  'bois joli, laurier cerise, glycine, perce neige, jacinthe, bryone, raisin d amerique, seneçon, seneson, berce du caucase, marron d inde, pervenche',
  'nielle des bles, chelidoine, bouton d or, renoncule, buis, genet a balai, parisette, petite cigue, amanite, ergot de seigle, tabac, consoude, tanaisie',
  'rue fetide, tussilage, menthe pouliot, absinthe, acore, asperule odorante, sureau yeble, hieble, amande amere, noyau d abricot, noyau de peche',
  'noyau de cerise, feuille de rhubarbe, quinquina, feve tonka',
  // Spanish.
  'lirio de los valles, muguete, dedalera, adelfa, narciso, cicuta, cicuta acuatica, tejo, aconito, acónito, belladona, hierba mora, dulcamara, beleno',
  'estramonio, trompeta de angel, floripondio, mandragora, lluvia de oro, codeso, colquico, azafran silvestre, eleboro, espuela de caballero, ricino, regaliz americano',
  'aro manchado, euforbia, bonetero, aligustre, hiedra, acebo, muerdago, laurel cerezo, glicina, campanilla de invierno, jacinto, nueza, hierba carmin',
  'castano de indias, vincapervinca, celidonia, ranunculo, boj, retama negra, amanita, cornezuelo, tabaco, consuelda, tanaceto, ruda, tusilago, poleo',
  'ajenjo, calamo aromatico, saugo menor, yezgo, almendra amarga, hueso de albaricoque, hueso de melocoton, hoja de ruibarbo, quina, haba tonka, toxico',
  // Italian.
  'mughetto, digitale rossa, oleandro, narciso, giunchiglia, cicuta maggiore, tasso comune, aconito napello, belladonna, erba morella, giusquiamo, stramonio',
  'trombone d angelo, mandragola, maggiociondolo, colchico, falso zafferano, elleboro, rosa di natale, speronella, gigaro, euforbia, evonimo, ligustro',
  'edera, agrifoglio, vischio, lauroceraso, glicine, bucaneve, giacinto, brionia, fitolacca, panace gigante, ippocastano, pervinca, gittaione, ranuncolo',
  'bosso, ginestra dei carbonai, tabacco, consolida maggiore, tanaceto, ruta, farfara, mentuccia, assenzio, calamo aromatico, ebbio, mandorla amara',
  'nocciolo di albicocca, nocciolo di pesca, foglia di rabarbaro, china calisaia, fava tonka',
  // Dutch, Swedish, Danish, Norwegian, Polish, Portuguese, Welsh.
  'lelietje van dalen, vingerhoedskruid, gevlekte scheerling, waterscheerling, monnikskap, wolfskers, doornappel, bilzekruid, gouden regen, herfsttijloos',
  'nieskruid, ridderspoor, wonderboom, aronskelk, kardinaalsmuts, klimop, hulst, maretak, laurierkers, blauweregen, sneeuwklokje, taxus, smeerwortel, boerenwormkruid',
  'liljekonvalj, fingerborgsblomma, odort, sprangort, idegran, stormhatt, belladonna, spikklubba, bolmort, gullregn, tidlosa, julros, murgrona, jarnek',
  'liljekonval, fingerbol, skarntyde, gifttyde, taks, stormhat, galnebaer, pigaeble, bulmeurt, guldregn, hosttidlos, vedbend, revebjelle, barlind, tyrihjelm',
  'konwalia, naparstnica, oleander pospolity, szczwol, szalej, cis pospolity, tojad, pokrzyk, wilcza jagoda, bielun, lulek, zlotokap, zimowit, ciemiernik, ostrozka',
  'racznik, wilczomlecz, trzmielina, ligustr, bluszcz, ostrokrzew, jemiola, wawrzynek, laurowisnia, piolun, wrotycz, zywokost',
  'lirio do vale, dedaleira, loendro, espirradeira, cicuta, teixo, acónito, beladona, estramonio, trombeta de anjo, colquico, mamona, hera venenosa, azevinho',
  'lili r maes, bysedd y cwn, cegid, ywen, cwcwll y mynach, codwarth, celyn, eiddew, uchelwydd',
  // Transliterated: Russian, Ukrainian, Greek.
  'landysh, naperstyanka, oleandr, narcyss, narciss, boligolov, tsikuta, tis yagodnyy, akonit, borets, belladonna, krasavka, belena, durman, mandragora',
  'bezvremennik, chemerica, moroznik, kleshchevina, volchya yagoda, volche lyko, bolnyy, konvaliya, naperstyanka, bliskavka, picrodafni, pikrodafni, koneio',
  // Japanese, Chinese and others as they are written in Latin letters.
  'kyochikuto, suzuran, torikabuto, jiazhutao, wutou, mantuoluo, kaner, dhatura, dafla',
]
  .flatMap((line) => line.split(', '))
  .map((name) => name.trim());
