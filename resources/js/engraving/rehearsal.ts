const BARS = 16;

/** A few bars with beams, chords, slurs and accidentals, so that the engraver has done once what it will be asked for. */
export function rehearsal(): string {
    const note = (step: string, octave: number, alter: number, type: string, duration: number, more: string, sharp = false): string =>
        `<note>${more.includes('<chord/>') ? '<chord/>' : ''}<pitch><step>${step}</step><alter>${alter}</alter><octave>${octave}</octave></pitch>` +
        `<duration>${duration}</duration><voice>${octave > 3 ? 1 : 5}</voice><type>${type}</type>${sharp ? '<accidental>sharp</accidental>' : ''}<staff>${octave > 3 ? 1 : 2}</staff>${more.replace('<chord/>', '')}</note>`;
    const slur = (type: 'start' | 'stop'): string => `<notations><slur type="${type}" number="1"/></notations>`;
    const bars = Array.from({ length: BARS }, (_, bar) => {
        const upper = Array.from('CDEFGABC', (step, place) => {
            const sharp = place === 3 && bar % 2 === 1;
            const beam = `<beam number="1">${['begin', 'continue', 'continue', 'end'][place % 4]}</beam>`;
            return note(step, 5, sharp ? 1 : 0, 'eighth', 1, beam + (place === 0 ? slur('start') : place === 7 ? slur('stop') : ''), sharp);
        }).join('');
        const lower = [note('C', 3, 0, 'half', 4, ''), note('G', 3, 0, 'half', 4, '<chord/>'), note('B', 2, -1, 'half', 4, '')].join('');
        const attributes =
            '<attributes><divisions>2</divisions><key><fifths>-2</fifths></key><time><beats>4</beats><beat-type>4</beat-type></time><staves>2</staves>' +
            '<clef number="1"><sign>G</sign><line>2</line></clef><clef number="2"><sign>F</sign><line>4</line></clef></attributes>';
        const dynamics = '<direction placement="below"><direction-type><dynamics><p/></dynamics></direction-type><staff>1</staff></direction>';
        return `<measure number="${bar + 1}">${bar === 0 ? attributes + dynamics : ''}${upper}<backup><duration>8</duration></backup>${lower}</measure>`;
    });
    return (
        '<score-partwise version="4.0"><part-list><score-part id="P"><part-name/></score-part></part-list>' +
        `<part id="P">${bars.join('')}</part></score-partwise>`
    );
}
