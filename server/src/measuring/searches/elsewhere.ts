import type { MarkdownFile } from '@glossarion/core/formats/markdown';

/** Pages of several languages and scripts, made up, that stand among ten thousand others. */

const PAGES: Readonly<Record<string, string>> = {
  'Ferry timetable': `
    Last boat from Ostmark quay leaves at 21:40, except Sundays.

    Dogs travel on the upper deck and pay half.

    | Harbour | Out | Back |
    | --- | --- | --- |
    | Ostmark | 07:15 | 18:05 |
    | Tarn Head | 08:20 | 19:10 |
    | Lesser Skerry | 09:00 | – |`,
  'Loft insulation': `
    Sheep’s wool between the joists, vapour check on the warm side.

    - [ ] Borrow the staple gun from [[Henrike Solberg]]
    - [x] Measure the hatch

    The eaves must stay open, or the rafters sweat.`,
  'Thesis, chapter two': `
    Dubois argues that tollbooths shaped the parish boundary.

    Counter-evidence: the perambulation of 1790 ignores them.

    ## Objections

    A boundary that follows a hedge proves the hedge and nothing else.

    - Rewrite the paragraph on turnpikes
    - Cite the enclosure award
      - Folio 14, the marginal note in pencil`,
  Violin: `
    The luthier reglued the open seam and charged forty.

    Strings: gut for the D and G, steel for the E.

    Bow rehair is due before the recital.`,
  Physiotherapy: `
    Ten minutes on the wobble board, then calf raises.

    The ankle clicks when descending stairs, never when climbing.`,
  'Henrike Solberg': `
    ---
    aliases: [Henni]
    ---
    Plays viola, allergic to walnuts.

    Birthday on the eleventh of October.`,
  Projector: `
    Lent to [[Henrike Solberg]] until the equinox.

    Bulb: 230 W, the last in the drawer.`,
  'Reading circle': `
    Next meeting at [[Henrike Solberg]]’s, bring the marked passages.

    We agreed to read novellas only, after the winter of the trilogies.`,
  'Backup script': `
    Runs from the cupboard under the stairs.

    \`\`\`sh
    rsync -a --delete notes/ tower:/vault
    find /vault -mtime +90 -exec gzip {} +
    \`\`\`

    Restore was tried in spring, and worked but for the symlinks.`,
  'Allotment ledger': `
    Broad beans under fleece, two rows by the hedge.

    Rent of the plot: 34.50 a year, due at Michaelmas.

    Onion sets rotted; next year raised beds. #garden/vegetables`,
  'Wedding speech': `
    Begin with the broken umbrella, end with the lighthouse.

    Do not mention the caravan.`,
  'Rain gauge': `
    - March: 61 mm
    - April: 12 mm, a drought by any name
    - May: 88 mm, of which half fell in one thunderstorm`,
  'Museum visit': `
    The astrolabe in the east room was mislabelled as a quadrant.

    Curator promised to write; see [[Correspondence with the curator]].`,
  'Correspondence with the curator': `
    She confirmed the astrolabe and thanked us for the photograph.

    Provenance: bequeathed by a shipping clerk in 1911.`,
  'Sourdough notes': `
    Starter doubles in five hours at 24 degrees.

    Overproofed twice; the banneton should be floured with rice.`,
  Telescope: `
    Collimate before every session; the secondary drifts.

    Saturn at 150×, the Cassini gap just visible.`,

  Wassermühlen: `
    Die Mühle am Bach hatte zwei unterschlächtige Räder.

    Der Müller wohnte über dem Mahlgang.

    Der Straßenbau hat den Graben verschüttet.`,
  'Fähre und Schleuse': `
    Die Schleusen öffnen erst bei Hochwasser.

    Größere Schiffe müssen im Vorhafen warten.`,
  'Rezepte der Tante': `
    Zwetschgenkuchen mit Streuseln, Äpfel gehen auch.

    Die Nüsse vorher rösten.`,
  'Vögel am Teich': `
    Drei Reiher und ein Eisvogel, früh um sechs.

    Die Schwalben sammelten sich auf den Drähten.`,
  Handwerkertermine: `
    Der Dachdecker kommt am Donnerstag wegen der losen Ziegel.

    Angebote verglichen, das günstigste war unvollständig.`,

  'Moulins à marée': `
    Les moulins à marée de la côte ont presque tous disparu.

    L’écluse se ferme d’elle-même quand la mer descend.

    Le meunier travaillait la nuit, selon l’heure.`,
  'Carnet d’atelier': `
    Aiguiser les ciseaux à bois avant chaque séance.

    Œil du marteau fendu, à remplacer.`,
  'Château d’eau': `
    Réservoir inspecté, une fissure près de l’échelle.

    Les pompes tournent trop souvent la nuit.`,
  'Voyage à vélo': `
    Deux crevaisons avant le col, aucune après.

    Les gîtes étaient complets; dormi chez des maraîchers.`,

  'Młynarz i woda': `
    Młynarz podnosił zastawkę przed świtem.

    Koła łopatkowe naprawiano zimą.

    Żuraw stał przy śluzie.`,
  'Ogród babci': `
    Porzeczki i agrest sadzone w cieniu jabłoni.

    Pszczoły latają dopiero po południu.`,

  'Ημερολόγιο ταξιδιού': `
    Το πλοίο έφυγε με καθυστέρηση από τον Πειραιά.

    Θάλασσα ήρεμη, γλάροι πάνω από το λιμάνι.`,
  'Водяные мельницы': `
    Мельница стояла на запруде у деревни.

    Жернова привезли с Урала.

    Ёлки посадили вдоль плотины.`,
  'Бабушкины рецепты': `
    Щи варят на медленном огне.

    Грибы сушили на нитках за печкой.`,
  'دفتر الحديقة': `
    زرعتُ شجرة ليمون قرب البئر.

    الماء يصل مرتين في الأسبوع.`,
  'יומן נסיעה': `
    הרכבת לחיפה יצאה באיחור של שעה.

    הספרייה סגורה בימי שישי.`,
  庭の記録: `
    梅の木を剪定した。枝は三本だけ残す。

    メダカの水槽を掃除する。`,
  京都の本屋: `
    古本屋で潮の満ち引きの本を見つけた。

    店主は製本の道具を見せてくれた。`,
  บันทึกสวน: `
    ปลูกมะม่วงสองต้นข้างบ่อน้ำ

    ฝนตกหนักทั้งคืน`,
  '물레방아 메모': `
    물레방아가 있는 마을에서 하룻밤을 묵었다.

    방앗간에서 떡을 샀다.`,
  'बगीचे की डायरी': `
    आम के पेड़ पर पहली कली आई।

    पानी की टंकी साफ़ करनी है।`,
};

/** The pages as files, in a notebook of their own. */
export const PAGES_ELSEWHERE: readonly MarkdownFile[] = Object.entries(PAGES).map(([title, text]) => ({
  path: `Elsewhere/${title}.md`,
  text: `${text.replace(/^ {4}/gmu, '').trim()}\n`,
}));
