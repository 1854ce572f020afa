import type { ChemistryId } from '../../tables';
import type { Connector } from '..';

/** Words on labels, in the languages that gear is sold in; all matched without regard to case. Collected 2026-11. */

export const CHEMISTRY_WORDS: readonly (readonly [RegExp, ChemistryId])[] = [
  [/li-?\s?fe\s?-?po4?|lfp|lithium[- ]iron(?:[- ]phosphate)?|lithium-?eisen(?:-?phosphat)?|litio[- ]ferro/, 'lifepo4'],
  [/li-?\s?hv|li-?ion hv|high[- ]voltage li(?:thium)?-?(?:ion)?/, 'li-ion-hv'],
  [
    /li-?\s?ion(?:en)?|li-?\s?po(?:ly(?:mer)?)?|lithium[- ]?(?:ion(?:en)?|polymer?e?|poly)|ions?[- ]lithium|(?:lithium|litio)[- ]ion|ion(?:e|es|i)?[- ](?:de |di )?litio|pol[ií]mero de litio|polimeri di litio|lithium-ionen-akku/,
    'li-ion',
  ],
  [
    /agm|lead[- ]?acid|sealed lead|sla|vrla|blei(?:-?(?:säure|gel|akku))*|plomb|plomo(?:[- ][aá]cido)?|piombo|lood(?:zuur)?|pb(?=[\s,;)]|$)/,
    'agm',
  ],
  [/ni-?\s?mh|nickel[- ]metal[- ]hydride|nickel-metallhydrid/, 'nimh'],
  [/li-?\/?\s?fes2|lithium[- ](?:primary|metal|aa)|primary lithium|fr6/, 'lithium-metal'],
  [/alkaline?|alkali(?:-mangan)?|alcalin[aeo]s?|alcaline/, 'alkaline'],
];

export const CONNECTOR_WORDS: readonly (readonly [RegExp, Connector['type'] | undefined])[] = [
  [/usb[- ]?(?:type[- ]?)?c(?![a-z])|type[- ]?c(?![a-z])|typ[- ]?c(?![a-z])/, 'usb-c'],
  [/micro[- ]?usb|mini[- ]?usb/, undefined],
  [/usb[- ]?(?:type[- ]?)?a(?![a-z])|type[- ]?a(?![a-z])|typ[- ]?a(?![a-z])/, 'usb-a'],
  [/usb/, undefined],
  [/[dp][- ]?tap/, 'd-tap'],
  [/v[- ]?mount|v[- ]?lock/, 'v-mount'],
  [/(?:4[- ]?pin )?xlr4?/, 'xlr4'],
  [/xt60/, 'xt60'],
  [/barrel|dc[- ](?:jack|plug|buchse|stecker)|hohlstecker|jack/, 'barrel'],
  [/(?:2|two)[- ]pin circular|circular(?:[- ,](?:2|two)[- ]pins?)|2-?pin(?: round)? (?:plug|connector)/, 'circular2'],
  [/poe/, 'poe'],
];

/** Which way a port goes. */
export const DIRECTION_WORDS: readonly (readonly [RegExp, 'in' | 'out'])[] = [
  [
    /in(?:put)?(?:\d| \d(?! ?[-vaw]| (?:to|bis|à|a) )(?=[\s,;)]|$))?|eingang|entr[ée]e|entrada|ingresso|ingang|charg(?:e|ing)|laden|ladespannung|ladestrom|ladung|recharge|carga|ricarica/,
    'in',
  ],
  [/out(?:put)?(?:\d| \d(?! ?[-vaw]| (?:to|bis|à|a) )(?=[\s,;)]|$))?|ausgang|sortie|salida|uscita|uitgang/, 'out'],
];

/** Words between two figures that make a range of them. */
export const RANGE_WORDS = /^(?:to|bis|à|a|ad|al|hasta|tot|thru|through|until)$/;
/** Words between two figures that make a range of them behind one of `BETWEEN_WORDS`: “between 11 and 17 V”. */
export const AND_WORDS = /^(?:and|und|et|e|ed|y|en)$/;
export const BETWEEN_WORDS = /^(?:between|zwischen|entre|tra|fra|tussen)$/;
/** Words before a number that let an “a” behind it be a word and no amps: “da 12 a 24 V”. */
export const FROM_WORDS = /^(?:da|dai|dal|de|desde|entre)$/;

/** A figure that is no more than: it is still the one that counts where no other is there. */
export const MOST_WORDS =
  /^(?:max\.?|maximum|maximal|maxi|máx\.?|massimo|massima|up|bis zu|jusqu'à|peak|spitze|pico|picco|crête|pointe|surge)$/;
/** A figure of an instant, or of the charger: never the one that counts. */
export const PEAK_WORDS = /^(?:peak|spitze|pico|picco|crête|crete|pointe|surge|burst|inrush)$/;
/** Volts of a full pack, or of its charger. */
export const FULL_WORDS =
  /^(?:full|fuse|fused|sicherung|fusible|fusibile|zekering|lvc|low|voc|charged|charging|ladeschlussspannung|cut-?off|charg\.?|pleine?|lleno|piena|vol|limited|limit)$/;
/** A bare number behind one of these is a name. */
export const NAME_WORDS =
  /^(?:made|mfg|mfd|hergestellt|fabr|model|modell|modèle|modelo|modello|type|typ|s\/n|sn|serial|serie|no\.?|nr\.?|n°|p\/n|lot|date|rev\.?|ver\.?|version|art\.?)$/;
export const CELL_WORDS = /^(?:cells?|zellen?|cellules?|[ée]l[ée]ments?|celdas?|celle|cellen)$/;
/** A figure that is no less than. */
export const LEAST_WORDS = /^(?:min\.?|minimum|minimal|mini|m[ií]nimo|from|von|vanaf|van|de|da|dal|dai|desde|ab)$/;
/** From here on a battery speaks of itself again. */
export const OWN_WORDS =
  /^(?:nominal|nominale|nominell|nenn[a-zäöü]*|discharge|discharging|entladung|entladestrom|d[ée]charge|descarga|scarica)$/;
/** Of all its ports together. */
export const TOTAL_WORDS = /^(?:total|totale?|combined|shared|gesamt|zusammen|insgesamt|en tout|in totale|totaal)$/;
/** What a bare number may count. */
export const COUNTED_WORDS =
  /^(?:pins?|polig|p[ôo]les?|broches?|slots?|ports?|bays?|ways?|fach|fächer|outputs?|inputs?|contacts?|conductors?|core|stück|pcs|pieces?)$/;
/** Each of several: “2 x USB-A 5V 2.4A each”. */
export const EACH_WORDS = /^(?:each|je|jeweils|chacun|chaque|cada|ciascuno|elk)$/;

/** Standards and markings that hold digits and say nothing of power. */
export const MARKINGS =
  /\b(?:un ?38\.3|iec ?\d{4,}(?:-\d+)?|en ?\d{4,}|ip[x\d]\d|pd ?[23](?:\.\d)?(?![\d.]* ?[vaw])|qc ?[2345](?:\.\d)?\+?(?![\d.]* ?[vaw])|usb ?[23]\.\d|bc ?1\.2|pps|gan|ce|fcc|rohs|802\.3(?:af|at|bt)|class ?[i1-3]+)\b/gi;
/** Cells by size, which a holder takes: the number is a name. */
export const CELL_SIZES = /^(?:aaa|aa|lr6|lr03|mignon|14500|16340|18350|18650|20700|21700|26650|32700)$/;

/** How units are written in other scripts; the longer before the shorter that begins it. */
export const UNITS_OF_SCRIPTS: readonly (readonly [RegExp, 'V' | 'A' | 'W' | 'Wh' | 'Ah', 'k' | 'm' | ''])[] = [
  [/^(?:кВт ?[·.*-]? ?ч|千瓦时)/iu, 'Wh', 'k'],
  [/^(?:Вт ?[·.*-]? ?ч(?:ас)?|瓦时|瓦時|ワット時)/iu, 'Wh', ''],
  [/^(?:мА ?[·.*-]? ?ч|毫安时|毫安時|ミリアンペア時)/iu, 'Ah', 'm'],
  [/^(?:А ?[·.*-]? ?ч|安时|安時|アンペア時)/iu, 'Ah', ''],
  [/^(?:мА|毫安)/iu, 'A', 'm'],
  [/^(?:Вт|ватт|瓦特?|ワット|와트|واط)/iu, 'W', ''],
  [/^(?:вольт|В|伏特?|ボルト|볼트|فولت)/iu, 'V', ''],
  [/^(?:ампер|А|安培?|アンペア|암페어|أمبير)/iu, 'A', ''],
];
/** What writing in other scripts says of a port or a pack; all else of it is a word that says nothing. */
export const WORDS_OF_SCRIPTS: readonly (readonly [RegExp, { readonly direction: 'in' | 'out' } | { readonly chemistry: ChemistryId }])[] =
  [
    [/^(?:输入|輸入|入力|充电|充電|вход|зарядка|입력|충전|دخل|إدخال)/iu, { direction: 'in' }],
    [/^(?:输出|輸出|出力|放电|выход|출력|خرج|إخراج)/iu, { direction: 'out' }],
    [/^(?:磷酸铁锂|磷酸鐵鋰|リン酸鉄リチウム)/iu, { chemistry: 'lifepo4' }],
    [
      /^(?:锂离子|鋰離子|锂聚合物|リチウムイオン|リチウムポリマー|литий[- ]?(?:ион|пол)[а-я]*|리튬 ?이온|리튬 ?폴리머|ليثيوم[- ]أيون)/iu,
      { chemistry: 'li-ion' },
    ],
    [/^(?:镍氢|鎳氫|ニッケル水素|никель[- ]?металл[- ]?гидрид[а-я]*|니켈 ?수소)/iu, { chemistry: 'nimh' }],
    [/^(?:铅酸|鉛酸|鉛蓄電池|свинцов[а-я-]*|납축)/iu, { chemistry: 'agm' }],
    [/^(?:碱性|アルカリ|щелочн[а-я]*|알카라인)/iu, { chemistry: 'alkaline' }],
  ];
