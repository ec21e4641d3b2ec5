<?php

declare(strict_types=1);

namespace Tests\support;

/**
 * The folders of the core and who knows whom.
 */
final class Layers
{
    /** Each knows only those before it; the crafts stand together, in working order. */
    public const ORDER = [
        'Calendar', 'Score', 'Sound', 'Tempo', 'Reading', 'Student', 'Notation', 'Plan', 'Performance', 'Findings', 'Craft',
        'Words', 'Read', 'Count', 'Hand', 'Touch', 'Shape', 'Balance', 'Pedal', 'Time',
        'Rendition', 'Handout', 'Portrait', 'Practice', 'Take', 'Hear', 'Crafts',
    ];

    /**
     * @return array<string, array<string, list<string>>> by folder: what it knows, and the files that do
     */
    public static function arrows(): array
    {
        $root = __DIR__.'/../../core';
        $arrows = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($root, \FilesystemIterator::SKIP_DOTS)) as $file) {
            if ($file->getExtension() !== 'php') {
                continue;
            }
            $path = str_replace('\\', '/', substr($file->getPathname(), strlen($root) + 1));
            $from = explode('/', basename($path) === $path ? basename($path, '.php') : $path)[0];
            $arrows[$from] ??= [];
            preg_match_all('/Tarnwind\\\\Core\\\\(\w+)/', (string) preg_replace('/^namespace .*$/m', '', (string) file_get_contents($file->getPathname())), $found);
            foreach (array_unique($found[1]) as $to) {
                if ($to !== $from) {
                    $arrows[$from][$to][] = $path;
                }
            }
        }

        return $arrows;
    }
}
