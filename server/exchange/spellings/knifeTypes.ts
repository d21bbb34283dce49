import type { KnifeType } from '../../../core/knife/knifeTypes'
import { plain, said, Spellings, type Found } from './plain'

/**
 * What kitchens call their knives in English, German, French, Spanish, Italian and Portuguese (the trade's words, from
 * memory; common practice).
 */
const WORDS: readonly (readonly [KnifeType, readonly string[]])[] = [
  [
    'chef',
    said`chef, chefs, chef's knife, chef knife, cooks, cook's knife, cook knife, french knife, gyuto,
      kochmesser, küchenmesser, couteau de chef, couteau de cuisine, éminceur, cuchillo de chef,
      cuchillo cocinero, cocinero, cebollero, coltello da cuoco, trinciante, coltello da chef, faca de chef,
      faca do chef, faca de cozinheiro, faca de cozinha`,
  ],
  ['santoku', ['santoku', 'santoku knife']],
  ['nakiri', said`nakiri, vegetable cleaver, chinese cleaver, vegetable knife, hackmesser chinesisch`],
  ['petty', ['petty', 'petty knife']],
  [
    'utility',
    said`utility, utility knife, allzweckmesser, universalmesser, couteau universel, universel,
      cuchillo multiusos, multiusos, utilitario, coltello multiuso, multiuso, faca utilitária`,
  ],
  [
    'paring',
    said`paring, paring knife, parer, peeler, peeling knife, vegetable parer, schälmesser, officemesser,
      spickmesser, rüstmesser, gemüsemesser, couteau d'office, office, éplucheur, puntilla, mondador, pelador,
      cuchillo pelador, spelucchino, coltello spelucchino, faca de legumes, faca de descascar`,
  ],
  [
    'turning',
    said`turning, turning knife, bird's beak, bird's beak knife, birds beak, tourne, tourné, tourne knife,
      tourniermesser, couteau à tourner, bec d'oiseau, cuchillo de tornear, torneador, pico de loro,
      coltello per tornire, tornire, faca de tornear, bico de pássaro`,
  ],
  [
    'slicer',
    said`slicer, slicing, slicing knife, sujihiki, ham, ham knife, ham slicer, aufschnittmesser, schinkenmesser,
      trancheur, tranchelard, couteau à trancher, couteau à jambon, loncheador, cuchillo de lonchear, jamonero,
      cuchillo jamonero, affettatore, coltello per affettare, prosciutto, coltello prosciutto, faca de fatiar,
      fatiador, faca de presunto, roast slicer, granton slicer`,
  ],
  [
    'carving',
    said`carving, carving knife, carver, tranchiermesser, fleischmesser, couteau à découper, découper,
      cuchillo de trinchar, trinchar, trinchante, coltello arrosto, coltello per arrosti, faca de trinchar`,
  ],
  [
    'salmon-slicer',
    said`salmon, salmon slicer, salmon knife, smoked salmon knife, lachsmesser, couteau à saumon, saumon,
      cuchillo salmón, salmonero, salmón, coltello salmone, salmone, faca de salmão, salmão`,
  ],
  [
    'bread',
    said`bread, bread knife, serrated, serrated knife, pastry knife, brotmesser, konditormesser, couteau à pain,
      pain, génoise, cuchillo de pan, cuchillo panero, panero, coltello pane, coltello da pane, faca de pão`,
  ],
  [
    'sausage',
    said`sausage, sausage knife, deli, deli knife, tomato, tomato knife, wurstmesser, brotzeitmesser,
      tomatenmesser, couteau à saucisson, saucisson, couteau à tomate, tomate, cuchillo embutido, embutidos,
      tomatero, coltello salame, salame, salumi, coltello pomodoro, pomodoro, faca de enchidos`,
  ],
  [
    'cheese',
    said`cheese, cheese knife, käsemesser, couteau à fromage, fromage, cuchillo de queso, queso,
      coltello formaggio, formaggio, faca de queijo, queijo`,
  ],
  ['rocker', said`pizza rocker, rocker, rocker knife, rocking knife, pizza, pizza knife, pizza cutter, pizzamesser`],
  [
    'mezzaluna',
    said`mezzaluna, half moon, herb chopper, wiegemesser, berceuse, hachoir berceuse, hachinette, media luna,
      medialuna, meia lua`,
  ],
  [
    'fillet',
    said`fillet, fillet knife, filleting, filleting knife, filet, filet knife, fish knife, filetiermesser,
      filiermesser, fischmesser, couteau à filet, filet de sole, couteau filet de sole, fileteador,
      cuchillo de filetear, filetear, sfilettare, filettare, coltello per filettare, faca de filetar, filetar`,
  ],
  [
    'oyster',
    said`oyster, oyster knife, shucker, clam knife, austernmesser, couteau à huîtres, huîtres, ouvre huître,
      abreostras, cuchillo de ostras, ostras, apriostriche, ostriche, faca de ostras`,
  ],
  [
    'boning-stiff',
    said`boning stiff, boning, boning knife, stiff boning, boner, straight boning, ausbeinmesser, ausbeiner,
      couteau à désosser, désosser, désosseur, deshuesador, cuchillo de deshuesar, deshuesar, disosso,
      coltello disosso, disossare, desossar, faca de desossar, desossador`,
  ],
  ['boning-curved', ['boning curved', 'curved boning', 'curved boning knife']],
  ['boning-flexible', said`boning flexible, boning flex, flexible boning, flex boning, flexible boning knife`],
  [
    'skinning',
    said`skinning, skinning knife, skinner, abhäutemesser, hautmesser, häutemesser, couteau à dépouiller,
      dépouiller, desollador, desollar, despellejar, scuoiare, scuoio, esfolar, faca de esfolar`,
  ],
  [
    'breaking',
    said`breaking, breaking knife, butcher, butcher's knife, butchers, butcher knife, blockmesser,
      fleischermesser, metzgermesser, couteau de boucher, boucher, cuchillo carnicero, carnicero,
      coltello da macellaio, macellaio, faca de açougueiro, açougueiro, steaking knife`,
  ],
  ['scimitar', said`scimitar, cimeter, steak knife butcher, couteau cimeterre, cimeterre, cimitarra, scimitarra`],
  [
    'cleaver',
    said`cleaver, chopper, meat cleaver, hackbeil, hackmesser, küchenbeil, spalter, feuille, couperet, fendoir,
      hachuela, macheta, hacha, mannaia, mannaietta, cutelo`,
  ],
  ['single-bevel-slicer', said`single bevel slicer, yanagi, yanagiba, sashimi, sashimi knife, sashimimesser`],
  ['heavy-single-bevel', ['heavy single bevel', 'deba', 'deba knife']],
  [
    'shears',
    said`shears, scissors, kitchen shears, kitchen scissors, poultry shears, schere, küchenschere,
      geflügelschere, ciseaux, cisaille, tijeras, forbici, tesoura`,
  ],
  [
    'plate',
    said`mincer plate, grinder plate, mincing plate, lochscheibe, wolfscheibe, fleischwolfscheibe, grille de hachoir,
      plaque de hachoir, placa de picadora, disco de picadora, piastra tritacarne, disco de moedor`,
  ],
  [
    'glove',
    said`glove, gloves, cut glove, cut-resistant glove, mesh glove, chainmail glove, handschuh,
      schnittschutzhandschuh, stechschutzhandschuh, kettenhandschuh, gant, gant anti-coupure, gant cotte de mailles,
      guante, guante anticorte, guante de malla, guanto, guanto antitaglio, luva, luva de malha`,
  ],
]
const SPELLINGS = new Spellings(WORDS.map(([type, words]) => [type, [type, ...words]] as const))

const FLEXIBLE = /\b(flex\w*|souple|biegsam|flessibile)\b/
const CURVED = /\b(curv\w*|gebogen\w*|geschweift\w*|courbe\w*)\b/

/** The type of knife a text speaks of. A boning knife is the one its other words say. */
export function knifeTypeOf(text: string): Found<KnifeType> | null {
  const found = SPELLINGS.find(text)
  if (found?.value !== 'boning-stiff') return found
  const words = plain(text)
  if (FLEXIBLE.test(words)) return { ...found, value: 'boning-flexible' }
  return CURVED.test(words) ? { ...found, value: 'boning-curved' } : found
}

const ASIDE =
  /\b(knife|knives|blade|flex\w*|stiff|straight|curved|souple|rigide|gebogen|messer|couteau|cuchillo|coltello|faca)\b/gi

/** Whether a text says no more of a knife than its type. */
export const saysOnlyType = (text: string, type: KnifeType): boolean =>
  SPELLINGS.hasNoOther(type.startsWith('boning') ? 'boning-stiff' : type, text.replaceAll(ASIDE, ' '))
