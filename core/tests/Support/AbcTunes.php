<?php

declare(strict_types=1);

namespace UprightPencil\Core\Tests\Support;

/**
 * Tunes of our own as many hands would type them: each uses what it is named for, the last ones everything together. Where no
 * heading is given, the one below stands above them.
 */
final class AbcTunes
{
    private const HEAD = "X:1\nT:Fern Hollow\nM:4/4\nL:1/8\nK:D\n";

    /** @return array<string, string> */
    public static function all(): array
    {
        return [...array_map(static fn (string $line): string => self::HEAD.$line."\n", self::LINES), ...array_map(static fn (string $tune): string => $tune."\n", self::tunes())];
    }

    private const LINES = [
        'plain notes' => 'DEFG ABcd|efga bagf|e2d2 c2B2|A8|]',
        'octaves' => "D,,E,,F,G, A,B,CD|defg abc'd'|e'f'2g'|D,8|]",
        'lengths in every form' => 'A2B/c/ d3/2e/2f// g//a/4b/4|A1B1 c2/1 d4/2e6/3|f8|',
        'accidentals hold to the barline' => '^GAG=G _BAB=B|GABc ^^c=c__e=e|f8|',
        'accidentals of other octaves' => "^ggGg =c'cCc|c8|",
        'quarter tones' => '^/G2 _/A2 =G2 A2|',
        'ties' => 'A2-A2 d4-|d4 ^g4-|g2 =g2 f4-|f8|',
        'ties in chords' => '[DF-A-]4 [EFA]4|[D-A-]8|[DA]8|',
        'a tie after a space' => 'A4 -A4|B4- |B4 c4|',
        'rests' => 'z2 A2 z/A/z/A/ x2|z8|Z|A8|Z2|A4 z4|',
        'spacers' => 'A2 y B2 y4 c2 d2|y|e8|',
        'broken rhythm' => 'A>B c<d e>>f g<<a|b>>>a g<<<f e4|',
        'broken rhythm with spaces' => 'A > B c < d e> f g <a|',
        'broken rhythm of long notes and chords' => 'A2>B2 [Ac]>[Bd] [EA]2|d3>e z>d|',
        'broken rhythm around grace notes' => 'A>{c}B {c}A<B d4|',
        'triplets' => '(3ABc (3d2e2f2 (3g/a/b/|(3A2Bc2>d|',
        'tuplets of every number' => '(2AB (3ABc (4ABcd (5ABcde|(6ABcdef (7ABcdefg (8ABcdefga (9ABcdefgab|',
        'tuplets in full' => '(3:2:3ABc (3:2:2A2B (3::2A2B|(5:4:5ABcde (3:2d2e2f2 (7:8:7ABcdefg|',
        'tuplets with rests, chords and slurs' => '(3zBc (3[DF]zA ((3ABc) (3A(Bc) d2|',
        'slurs' => '(AB)(cd) (e(fg)a)|(A B c d|e f) (ga|b)a g2 f2|',
        'slurs end where the next begins' => '(A(B)c) (d(e)f)|g8|',
        'dotted slurs and ties' => '.(AB) c2 .(de f2)|A4.-A4|',
        'chords' => '[DA]2 [D2A2]2 [DFA] [EG] [F/A/]2|[D,A,DF]8|',
        'chords with signs inside' => '[!1!D!3!A]4 [.D.A]2 v[DA]2|[EGc]8|[(DF]4 [EG)]4|',
        'grace notes' => '{g}A2 {gfg}B2 {/e}d4|{c2d}e4 ({g}f) g3|',
        'decorations in both styles' => '!trill!A2 +fermata+B2 .c2 ~d2|Te2 Hf2 Lg2 Ma2|Pb2 ua2 vg2 !pp!f2|!D.C.!|',
        'decorations of two words and of none' => '!crescendo(!A2 B2 !crescendo)! c2 !///!d2|!>(!e4 !>)!f4|',
        'chord names and words' => '"Am"A2 "D7/F#"B2 "^slowly"c2 "_off"d2|"<left"e4 "@5,5 here"f4|',
        'repeats' => '|:DEFG A4:|:B4 A4::G4 F4:||:E8:|',
        'repeats of three' => '|::D8::|E8|]',
        'endings' => '|:DEFG A4|1 B8:|2 d8||e8|]',
        'endings of several passes' => '|:D8|[1,3 E8:|[2,4 F8:|[1-2 G8|]',
        'endings with a space and a bracket' => '|:D8 | [1 E8 :| [2 F8 |] G8|]',
        'barlines of every form' => '[|D8|]E8||F8[|]G8.|A8|:B8:|[|c8|]',
        'backticks and no spaces' => 'A`B`c`d ef`ga|A2`B2`c4|',
        'a key in the line' => 'c8|[K:F]b8|[K:Em] f8|[K:none]f4 b4|[K:A mix]g8|',
        'a meter in the line' => 'A8|[M:3/4]A6|[M:6/8]A3 B3|[M:C]c8|[M:C|]d8|[M:2/4]e4|',
        'a unit in the line' => 'A8|[L:1/4]A4|[L:1/16]A16|[L:1/8]A8|',
        'remarks in the line' => 'A4 [r:bow it]B4|c8|',
        'a clef in the line' => 'A8|[K:clef=bass]A,8|[K:clef=alto]D8|[K:D treble]d8|',
        'overlays' => 'A4 B4 & F8|c8 & A4 G4 & E8|d8|',
        'overlays with accidentals of their own' => '^A4 A4 & A8|B8|',
        'a line that goes on' => "ABcd\\\nefga|\\\n%% a directive in between\nb8|",
        'remarks at the end' => "ABcd efga| % first\n% a line of its own\nb8|",
        'lyrics' => "ABcd efga|\nw: to-day we play * a tune|\nw: and once a-gain\nb8|\nW: Words at the end\n",
        'line breaks in the music' => 'ABcd efga|$b8|!A8|',
        'letters that the file explains' => '[U:n=!upbow!]nA2 [U:T=!trill!]TB2 c4|',
        'a tune without a barline at the end' => 'ABcd efga|b4',
        'unisons' => '[DD]4 [AA]4|[AA-]4 A4|',
        'slurs over barlines' => '(ABcd|efga)|(b8|a8)|',
        'measures over lines' => "ABcd\nefga|b4\nA4|",
    ];

    /** @return array<string, string> */
    private static function tunes(): array
    {
        $jig = "X:7\nT:Saltmarsh Jig\nR:jig\nM:6/8\nL:1/8\nQ:3/8=112\nK:G\n";

        return array_map(static fn (string $tune): string => $tune, [
            'a jig of a usual kind' => $jig."D|:GAB d2B|cBA G2D|GAB def|g3-g2D:|\n|:g2e dBG|A2B cBA|(3def g edB|1 A3 G2D:|2 A3 G3|]",
            'no unit, short meter' => "X:1\nT:Brook\nM:2/4\nK:A\nABcd efga|a4 e4|]",
            'no unit, long meter' => "X:1\nT:Brook\nM:3/2\nK:A\nA4 B4 c4|d12|]",
            'no meter at all' => "X:1\nT:Brook\nK:Am\nABc defgab|c4|]",
            'a free meter' => "X:1\nT:Brook\nM:none\nL:1/4\nK:Edor\nABc defgab|c4|]",
            'additive meters' => "X:1\nT:Brook\nM:(2+3)/8\nK:Bphr\nBc def|[M:2+2+3/8]Bc de fga|b5-b2|]",
            'headers in any order' => "X:1\nK:F\nC:Nobody\nT:Order\nM:3/4\nL:1/4\nABc|b2a|]",
            'spaces in the heading' => "X: 12\nT:   Spaced   out\nM: 4 / 4\nL: 1 / 8\nK: Bb Major\nBcde fgab|B8|]",
            'text before the tune' => "Some words about this file.\n\nAnd more of them, without a tune.\n\nX:1\nT:Late\nL:1/8\nK:C\nCDEF GABc|]",
            'directives before the tune' => "%abc-2.1\n%%pagewidth 21cm\nI:abc-charset utf-8\n%%MIDI program 40\n\nX:1\nT:Set\nL:1/8\nK:C\nCDEF GABc|]",
            'several tunes' => "X:1\nT:One\nL:1/8\nK:C\nCDEF|\n\nX:2\nT:Two\nL:1/8\nK:G\nGABc|\n",
            'voices without definitions' => "X:1\nT:Pair\nL:1/4\nK:C\nV:1\nCDEF|G4|\nV:2\nC,2E,2|C,4|",
            'voices defined above' => "X:1\nT:Pair\nL:1/4\nV:Vln name=\"Violin\" clef=treble\nV:Vc name=\"Cello\" clef=bass\nK:G\nV:Vln\nGABc|d4|\nV:Vc\nG,2B,2|D,4|",
            'voices in turn, line by line' => "X:1\nT:Pair\nL:1/4\nK:C\nV:1\nCDEF|\nV:2\nC,4|\nV:1\nG4|\nV:2\nG,4|",
            'voices in the line' => "X:1\nT:Pair\nL:1/4\nK:C\n[V:1]CDEF|G4|\n[V:2]C,4|G,4|",
            'voices on one staff' => "X:1\nT:Pair\nL:1/4\n%%score (1 2)\nK:C\nV:1\ncdef|g4|\nV:2\nCDEF|G4|",
            'staves in another order' => "X:1\nT:Pair\nL:1/4\n%%score [1 | 2] 3\nK:C\nV:1\ncdef|\nV:2\nCDEF|\nV:3 clef=bass\nC,4|",
            'a keyboard' => "X:1\nT:Pair\nL:1/4\n%%staves {R L}\nV:R\nV:L clef=bass\nK:F\nV:R\nfgab|\nV:L\nF,4|",
            'a key for each voice' => "X:1\nT:Pair\nL:1/4\nK:C\nV:1\nK:D\nfgfg|\nV:2\nK:Bb\nbeeb|",
            'letters explained above' => "X:1\nT:Own\nU:T=!trill!\nU:n = !upbow!\nL:1/8\nK:C\nTC2 nD2 .E2 vF2|]",
            'parts' => "X:1\nT:Parts\nP:AB\nL:1/8\nK:C\nP:A\nCDEF GABc|\nP:B\nc8|]",
            'fields between lines' => "X:1\nT:Fields\nM:4/4\nL:1/8\nK:C\nCDEF GABc|\nM:3/4\nK:Eb\nBAG EGB|\nL:1/4\nE3|]",
            'a title in the middle' => "X:1\nT:First\nL:1/8\nK:C\nCDEF GABc|\nT:Second part\nc8|]",
            'a pickup and parts of measures' => "X:1\nT:Up\nM:3/4\nL:1/4\nK:G\nD|GAB|d2D|GAB|G2:|\n|:d|gfe|d2B|AGF|G2:|",
            'modes by every name' => "X:1\nT:Modes\nL:1/4\nK:Cion\nfbec|[K:Caeo]fbec|[K:CDorian]fbec|[K:C Phrygian]fbec|[K:C Lydian]fbec|[K:Cmixolydian]fbec|[K:C loc]fbec|[K:Cmin]fbec|[K:C maj]fbec|]",
            'keys of many sharps and flats' => "X:1\nT:Keys\nL:1/4\nK:C#\nfbec|[K:Cb]fbec|[K:F#m]fbec|[K:Ebm]fbec|[K:G#m]fbec|]",
            'further signs in a key' => "X:1\nT:Own key\nL:1/8\nK:D Phr ^f\nDEFG ABcd|F8|]",
            'a tune for pipes' => "X:1\nT:Pipes\nL:1/8\nK:Hp\nABcd efga|]",
            'all in one' => "%%scale 0.8\n% my tunes\nT:no tune yet\n\nX:3\nT:Everything\nC:Us\nM:C|\nL:1/8\nQ:\"Briskly\" 1/2=88\n%%score (A B) C\nV:A name=\"Violin 1\"\nV:B\nV:C clef=bass name=\"Cello\"\nK:Gm % two flats\n[V:A] \"Gm\"(GA)B>c (3def (g2|f)ed^c d4-|\\\n[M:3/4] d2 z2 {fg}!accent!f2|1 [Bd]6:|2 .d.e .f.g !fermata!a2|]\n[V:B] G4 B4|A8|[M:3/4] Z|1 G6:|2 G6|]\n[V:C] G,,8|D,2>E,2 F,4|[M:3/4]B,,6|1 [G,,D,]6:|2 G,,6 & D,3 z3|]\nw: la la la\n",
            'a round for three' => "X:4\nT:Round\nM:3/4\nL:1/4\nK:D\nV:1\n|:DFA|d3|z3:|\nV:2\n|:Z|DFA|d3:|\nV:3 bass octave=0\n|:Z2|D,F,A,:|",
        ]);
    }
}
