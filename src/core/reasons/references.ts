/** The published sources that rules and figures cite. `fromMemory` marks values that could not be checked against the paper itself. */
export const references = {
  R1: {
    short: 'NEWS2, 2017',
    citation:
      'Royal College of Physicians, National Early Warning Score (NEWS) 2, 2017: bands of the respiratory rate.',
    fromMemory: true,
  },
  R2: {
    short: 'van Dixhoorn 1985',
    citation:
      'van Dixhoorn & Duivenvoorden 1985, J Psychosom Res 29:199–206: 16 symptoms, above 23 of 64; van Dixhoorn & Folgering 2015, ERJ Open Research 1: a cut near 19 to 20.',
    fromMemory: true,
  },
  R3: {
    short: 'Epley 1985; Brzycki 1993',
    citation:
      'Epley 1985: w·(1 + r/30); Brzycki 1993, JOPERD 64:88–90: w·36/(37 − r); the two agree at ten repetitions. NSCA Essentials: percent of one lift by repetitions.',
    fromMemory: true,
  },
  R4: {
    short: 'Courtney 2008',
    citation:
      'Courtney, van Dixhoorn & Cohen 2008, Appl Psychophysiol Biofeedback 33:91–100: two lines on a half circle; balance, percent rib-cage motion, area.',
    fromMemory: true,
  },
  R5: {
    short: 'Sharp 1975; Verschakelen 1995',
    citation:
      'Sharp et al. 1975, J Appl Physiol 39:608–618; Verschakelen & Demedts 1995, AJRCCM 151:399–405: the rib cage takes a smaller share lying on the back than upright. Direction only.',
    fromMemory: true,
  },
  R6: {
    short: 'Moll & Wright 1972',
    citation:
      'Moll & Wright 1972, Ann Rheum Dis 31:1–8: chest expansion at the fourth intercostal space, about 5 cm in healthy young adults, falling with age; 2.5 cm or less was a limit of older criteria.',
    fromMemory: true,
  },
  R7: {
    short: 'Hopkins 2000; Weir 2005',
    citation:
      'Hopkins 2000, Sports Med 30:1–15 (typical error = SD of differences / √2); Weir 2005, J Strength Cond Res 19:231–240 (smallest real difference).',
    fromMemory: false,
  },
  R8: {
    short: 'Lehrer 2000',
    citation:
      'Lehrer, Vaschillo & Vaschillo 2000, Appl Psychophysiol Biofeedback 25:177–191: slow breathing, usually between 4.5 and 7 a minute.',
    fromMemory: true,
  },
  R9: {
    short: 'Courtney & Cohen 2008',
    citation:
      'Courtney & Cohen 2008, J Altern Complement Med 14:115–123: breath-hold time is not a reading of carbon dioxide.',
    fromMemory: true,
  },
  R10: {
    short: 'ACOG 804, 2020',
    citation:
      'American College of Obstetricians and Gynecologists, Committee Opinion 804, 2020: physical activity in pregnancy, warning signs, long spells flat on the back.',
    fromMemory: true,
  },
  R12: {
    short: 'Fisher 1993',
    citation: 'Fisher 1993; Mardia & Jupp 2000: circular statistics, mean direction and resultant length.',
    fromMemory: false,
  },
  R14: {
    short: 'CERT, 2016',
    citation:
      'Slade et al. 2016, Br J Sports Med 50:1428–1437: Consensus on Exercise Reporting Template, what a prescription must state.',
    fromMemory: true,
  },
  R15: {
    short: 'Open formats',
    citation:
      'JSON Schema 2020-12; iCalendar, RFC 5545: the formats in which plans, drills and bookings are handed over.',
    fromMemory: true,
  },
  R16: {
    short: 'Security yardstick',
    citation:
      'OWASP Application Security Verification Standard 5.0, level 1, and level 2 where it fits a studio’s own machine.',
    fromMemory: true,
  },
} as const;

export type ReferenceId = keyof typeof references;
export const referenceIds = Object.keys(references) as [ReferenceId, ...ReferenceId[]];
