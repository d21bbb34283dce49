import { GEAR_KINDS } from '../../../core/abrasive/gear'
import type { GearKind } from '../../../core/abrasive/gear'
import type { PersonRole } from '../../../core/house/rights'
import type { Product } from '../../../core/house/stations'
import type { Zone } from '../../../core/knife/zones'
import type { KnifeStatus } from '../../../core/edge/log/state'
import { said, Spellings } from './plain'

export const yesNo = new Spellings<boolean>([
  [true, said`yes, y, true, 1, x, ✓, ja, oui, si, sí, sim, wahr, vrai, verdadero, active, aktiv`],
  [false, said`no, n, false, 0, -, nein, non, não, falsch, faux, falso, left, inactive, gone`],
])

/**
 * A brigade by what each may do here: who runs the kitchen is not made a manager by a list, and who washes up or
 * learns begins as an apprentice (our choice; a chef can say otherwise in the same dry run).
 */
export const roles = new Spellings<PersonRole>([
  [
    'chef',
    said`chef, head chef, executive chef, kitchen manager, manager, owner, chef patron, chef de cuisine,
      küchenchef, küchenchefin, inhaber, jefe de cocina, jefa de cocina, capocuoco, capo cuoco,
      chefe de cozinha, patron`,
  ],
  ['sharpener', said`sharpener, knife steward, schleifer, aiguiseur, affûteur, afilador, arrotino, afiador, amolador`],
  [
    'cook',
    said`cook, sous chef, sous-chef, souschef, junior sous chef, second de cuisine, chef de partie, cdp,
      demi chef, demi chef de partie, line cook, prep cook, pastry chef, pâtissier, baker, butcher, fishmonger,
      grill, saucier, entremetier, garde manger, poissonnier, rôtisseur, tournant, koch, köchin, jungkoch,
      metzger, fleischer, metzgerin, konditor, cuisinier, cuisinière, boucher, cocinero, cocinera, carnicero,
      carnicera, segundo, cuoco, cuoca, macellaio, cozinheiro, cozinheira, açougueiro, talhante, sous,
      chef tournant`,
  ],
  [
    'apprentice',
    said`apprentice, trainee, commis, commis chef, commis de cuisine, kitchen porter, kp, porter, stage,
      stagiaire, steward, dishwasher, plongeur, intern, azubi, lehrling, auszubildende, küchenhilfe, spüler,
      apprenti, apprentie, aide de cuisine, aprendiz, ayudante, apprendista, aiuto cuoco, lavapiatti, ajudante,
      aprendiz de cozinha, student`,
  ],
])

export const states = new Spellings<Exclude<KnifeStatus, 'counted' | 'practice' | 'away'>>([
  [
    'in-service',
    said`in-service, in service, in use, ok, active, good, in gebrauch, aktiv, en service, en uso, in uso,
      em uso, counted, counted only`,
  ],
  [
    'quarantined',
    said`quarantined, quarantine, out of service, broken, damaged, repair, defekt, gesperrt, hors service,
      cassé, fuera de servicio, roto, fuori servizio, rotto, fora de serviço`,
  ],
  ['missing', said`missing, mislaid, vermisst, fehlt, manquant, egaré, falta, mancante, em falta`],
  [
    'retired',
    said`retired, scrapped, gone, thrown away, lost, ausgemustert, entsorgt, verloren, réformé, perdu, baja,
      perdido, dismesso, perso, abatido`,
  ],
])

export const zones = new Spellings<Zone>([
  ['heel', said`heel, ferse, talon, talón, tallone, calcanhar`],
  ['belly', said`belly, middle, centre, center, mitte, milieu, medio, centro, mezzo, meio`],
  ['tip', said`tip, point, spitze, pointe, punta, ponta`],
])

export const gearKinds = new Spellings<GearKind>([
  ...GEAR_KINDS.map((kind) => [kind, [kind]] as const),
  [
    'soaking-stone',
    said`stone, whetstone, waterstone, water stone, soaking stone, schleifstein, wasserstein, abziehstein,
      pierre, pierre à aiguiser, piedra, piedra de afilar, pietra, pietra per affilare, pedra, pedra de afiar`,
  ],
  ['splash-stone', ['splash and go', 'splash and go stone', 'splash stone']],
  ['oil-stone', said`oilstone, oil stone, ölstein, pierre à huile, piedra de aceite, pietra a olio`],
  ['diamond-plate', said`diamond, diamond plate, diamond stone, diamantplatte, plaque diamant, placa de diamante`],
  ['smooth-steel', said`smooth steel, glatter stahl, fusil lisse, chaira lisa, acciaino liscio`],
  [
    'grooved-steel',
    said`steel, honing steel, grooved steel, wetzstahl, fusil, chaira, acciaino, fuzil, chaira estriada`,
  ],
  ['polished-steel', ['polished steel', 'polierstahl', 'fusil poli']],
  ['ceramic-rod', said`ceramic, ceramic rod, ceramic steel, keramikstab, fusil céramique, chaira de cerámica`],
  ['diamond-rod', said`diamond rod, diamond steel, diamantstab, fusil diamant, chaira de diamante`],
  [
    'flattening-plate',
    said`lapping plate, flattening stone, flattening plate, abrichtstein, pierre à dresser, piedra de aplanar`,
  ],
  ['strop', said`leather, strop, streichriemen, abziehleder, cuir, asentador, coramella`],
])

export const WEEKDAY_NAMES = ['monday', 'tuesday', 'wednesday', 'thursday', 'friday', 'saturday', 'sunday'] as const
export type WeekdayName = (typeof WEEKDAY_NAMES)[number]
export const WEEKDAY_WORDS: Readonly<Record<WeekdayName, readonly string[]>> = {
  monday: said`monday, mon, mo, montag, lundi, lun, lunes, lunedì, segunda, segunda feira, seg, 1`,
  tuesday: said`tuesday, tue, tues, tu, dienstag, di, mardi, mar, martes, martedì, terça, terça feira, ter, 2`,
  wednesday: said`wednesday, wed, we, mittwoch, mi, mercredi, mer, miércoles, mié, mercoledì, quarta,
    quarta feira, qua, 3`,
  thursday: said`thursday, thu, thur, thurs, th, donnerstag, do, jeudi, jeu, jueves, jue, giovedì, gio, quinta,
    quinta feira, qui, 4`,
  friday: said`friday, fri, fr, freitag, vendredi, ven, viernes, vie, venerdì, sexta, sexta feira, sex, 5`,
  saturday: said`saturday, sat, sa, samstag, sonnabend, samedi, sam, sábado, sáb, sabato, sab, 6`,
  sunday: said`sunday, sun, su, sonntag, so, dimanche, dim, domingo, dom, domenica, 7`,
}
export const weekdays = new Spellings<WeekdayName>(WEEKDAY_NAMES.map((day) => [day, WEEKDAY_WORDS[day]] as const))

/** Months by the beginning of their names in six languages. */
export const MONTH_STARTS: readonly (readonly string[])[] = [
  ['jan', 'ene', 'gen'],
  ['feb', 'fev', 'fév'],
  ['mar', 'mär', 'mrz'],
  ['apr', 'avr', 'abr'],
  ['may', 'mai', 'mag'],
  ['jun', 'juin', 'giu'],
  ['jul', 'juil', 'lug'],
  ['aug', 'aou', 'août', 'ago'],
  ['sep', 'set'],
  ['oct', 'okt', 'ott', 'out'],
  ['nov'],
  ['dec', 'dez', 'déc', 'dic'],
]

/** What a station mostly cuts, by a word of its name. */
export const productsByName = new Spellings<Product>([
  [
    'fish',
    said`fish, sushi, raw bar, fisch, poisson, poissonnier, pescado, pesce, peixe, oyster bar, fish counter,
      seafood`,
  ],
  [
    'vegetables',
    said`veg, vegetables, salad, salads, prep, garde manger, cold, larder, entremetier, gemüse, kalte küche,
      salat, légumes, froid, verduras, ensaladas, verdure, insalate, legumes, saladas`,
  ],
  [
    'meat',
    said`meat, grill, sauce, saucier, roast, fleisch, viande, rôtisserie, carne, parrilla, griglia, grelha,
      carvery, deli, charcuterie`,
  ],
  [
    'bread',
    said`bread, bakery, pastry, bäckerei, patisserie, pâtisserie, boulangerie, panadería, pastelería,
      pasticceria, panetteria, padaria, pastelaria, konditorei`,
  ],
  [
    'meat-on-bone',
    said`butchery, butcher, butcher shop, metzgerei, fleischerei, boucherie, carnicería, macelleria, talho,
      açougue`,
  ],
])
