/** What is no food at all, or a medicine, or made unfit by how it is kept: by the words a cook would write, with why. */
const words = (text: string): readonly string[] => text.split(',').map((word) => word.trim());

export const notFood: readonly { words: readonly string[]; refuse: boolean; why: string }[] = [
  {
    words: words(
      'methanol, methyl alcohol, wood alcohol, wood spirit, methylated spirit, denatured alcohol, isopropyl, isopropanol, rubbing alcohol, antifreeze, ethylene glycol, diethylene glycol, acetone, turpentine, white spirit, kerosene, paraffin oil, mineral oil, petrol',
    ),
    refuse: true,
    why: 'It is a poison, and no spirit for drinking.',
  },
  {
    words: words(
      'borax, boric acid, sodium borate, sodium tetraborate, formaldehyde, formalin, salicylic acid, sodium salicylate, aspirin, bleach, sodium hypochlorite, chlorine bleach, hydrogen peroxide, lye drain, drain cleaner, caustic soda, sodium hydroxide, oxalic acid, hydrochloric acid, muriatic acid, sulphuric acid, sulfuric acid, battery acid, nitric acid, washing soda, soap, detergent, ammonia, copper sulphate, copper sulfate, blue vitriol, lead acetate, sugar of lead, antimony, arsenic, mercury, cyanide, potassium cyanide, sodium nitrite, saltpetre, saltpeter, potassium nitrate, potassium permanganate, thymol crystal, camphor, naphthalene, mothball, colloidal silver, chlorine dioxide, miracle mineral, bromine, brominated vegetable oil, melamine',
    ),
    refuse: true,
    why: 'It is no food: it is not allowed in anything that is drunk.',
  },
  {
    words: words(
      'nicotine, kratom, mitragyna, kava, kava kava, cbd, cannabidiol, thc, cannabis, hemp extract, marijuana, hashish, weed butter, melatonin, quinine, quinine sulphate, quinine sulfate, quinine hydrochloride, quinine salt, quinine powder, ephedrine, pseudoephedrine, caffeine powder, pure caffeine, caffeine anhydrous, guarana extract, synephrine, dmaa, phenibut, tianeptine, kanna, ibogaine, ayahuasca, peyote, mescaline, psilocybin, magic mushroom, salvia divinorum, morning glory seed, hawaiian baby woodrose, khat, coca leaf, cocaine, opium, poppy straw, poppy pod, poppy head, laudanum, morphine, codeine, cough syrup, dextromethorphan, ibuprofen, paracetamol, acetaminophen, diphenhydramine, antihistamine, sildenafil, viagra, steroid, antibiotic, penicillin, ivermectin, warfarin, colchicine, digoxin, atropine, scopolamine, amanita gummy, muscimol, blue lotus, lion tail, st john wort, saint john wort, hypericum, black cohosh, blue cohosh, valerian extract, ashwagandha, yohimbine, usnea, 5 htp, gaba powder, vitamin d drop, iron tablet, lithium, potassium chloride tablet, essential oil blend, wintergreen oil, oil of wintergreen, methyl salicylate, eucalyptus oil, tea tree oil, camphor oil, pennyroyal oil, wormseed',
    ),
    refuse: true,
    why: 'It is a medicine or a drug, and not allowed in food: the dose of a home infusion is nobody’s to know.',
  },
  {
    words: words(
      'garlic oil, garlic in oil, garlic in olive oil, garlic infused oil, oil garlic, garlic confit, confit garlic, herb in oil, herb oil infused, herb infused oil, basil in oil, basil oil infused, rosemary in oil, chilli in oil, chili in oil, chilli infused oil, chili infused oil, mushroom in oil, pepper in oil, shallot in oil, ginger in oil, onion in oil, truffle in oil, tomato in oil, sundried tomato in oil, ail confit, ail a l huile, knoblauchoel, knoblauch in oel, aglio sott olio, ajo en aceite, ajo confitado, black garlic oil',
    ),
    refuse: true,
    why: 'Nothing of the kind is kept under oil: without air and acid, the spores of C. botulinum grow there.',
  },
  {
    words: words(
      'alfalfa sprout, bean sprout, mung sprout, mung bean sprout, lentil sprout, clover sprout, radish sprout, broccoli sprout, raw sprout, sprouted seed, sprouted bean, sprouted grain, cress sprout, mixed sprout, sprossen, pousse de soja, germe de soja, brote de soja, germoglio, microgreen sprout',
    ),
    refuse: true,
    why: 'Sprouts grow Salmonella and E. coli as they sprout, and no wash takes them out.',
  },
];
