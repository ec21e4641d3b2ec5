<?php

declare(strict_types=1);

namespace Tarnwind\Core\Notation\MusicXml;

use DOMElement;
use Tarnwind\Core\Score\MeasureFlow;

/**
 * Gathers what a bar says about the order of playing: bar lines, sounding jumps, and signs and words that
 * print a jump without saying how it sounds.
 */
final class FlowFacts
{
    private const WORDS = [
        '/^(d\. ?c\.|da capo\b)/u' => 'daCapo',
        '/^(d\. ?s\.|dal segno\b)/u' => 'dalSegno',
        '/^to coda\b/u' => 'toCoda',
        '/^fine\.?$/u' => 'fine',
    ];

    public bool $repeatStart = false;

    public int $repeatTimes = 0;

    /** @var list<int> */
    public array $endingNumbers = [];

    public bool $endingStops = false;

    public bool $segno = false;

    public bool $coda = false;

    public bool $toCoda = false;

    public bool $fine = false;

    public bool $daCapo = false;

    public bool $dalSegno = false;

    public function flow(): MeasureFlow
    {
        return new MeasureFlow(
            $this->repeatStart, $this->repeatTimes, $this->endingNumbers, $this->endingStops, $this->segno, $this->coda,
            $this->toCoda, $this->fine, $this->daCapo, $this->dalSegno,
        );
    }

    public function readBarline(DOMElement $barline): void
    {
        for ($child = $barline->firstElementChild; $child !== null; $child = $child->nextElementSibling) {
            switch ($child->nodeName) {
                case 'repeat':
                    if ($child->getAttribute('direction') === 'forward') {
                        $this->repeatStart = true;
                    } else {
                        $this->repeatTimes = max(2, (int) $child->getAttribute('times'));
                    }
                    break;
                case 'ending':
                    if ($child->getAttribute('type') === 'start') {
                        preg_match_all('/\d+/', $child->getAttribute('number'), $numbers);
                        $this->endingNumbers = array_map(intval(...), $numbers[0]);
                    } else {
                        $this->endingStops = true;
                    }
                    break;
                case 'segno': $this->segno = true;
                    break;
                case 'coda': $this->coda = true;
                    break;
            }
        }
    }

    public function readSound(DOMElement $sound): void
    {
        $says = fn (string $name): bool => $sound->hasAttribute($name) && $sound->getAttribute($name) !== 'no';
        $this->segno = $this->segno || $says('segno');
        $this->coda = $this->coda || $says('coda');
        $this->toCoda = $this->toCoda || $says('tocoda');
        $this->fine = $this->fine || $says('fine');
        $this->daCapo = $this->daCapo || $says('dacapo');
        $this->dalSegno = $this->dalSegno || $says('dalsegno');
    }

    public function readDirection(DOMElement $direction): void
    {
        $sound = Xml::child($direction, 'sound');
        if ($sound !== null) {
            $this->readSound($sound);
        }
        foreach (Xml::children($direction, 'direction-type') as $type) {
            foreach (Xml::children($type) as $sign) {
                if ($sign->nodeName === 'segno') {
                    $this->segno = true;
                } elseif ($sign->nodeName === 'coda') {
                    $this->coda = $this->coda || $sound?->hasAttribute('tocoda') !== true;
                } elseif ($sign->nodeName === 'words') {
                    $this->readWords(mb_strtolower(trim($sign->textContent)));
                }
            }
        }
    }

    private function readWords(string $words): void
    {
        foreach (self::WORDS as $pattern => $fact) {
            if (preg_match($pattern, $words) === 1) {
                $this->{$fact} = true;
            }
        }
    }
}
