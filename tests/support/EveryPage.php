<?php

declare(strict_types=1);

namespace Tests\support;

use App\Models\CopyLink;
use App\Models\CopyStatus;
use App\Models\Piece;
use App\Models\Student;
use App\Models\StudentCopy;
use Illuminate\Http\UploadedFile;
use Illuminate\Testing\TestResponse;
use Tarnwind\Core\Crafts;
use Tests\TestCase;

/**
 * Takes a file the whole way, as a teacher would: looked at, kept, given to a student, and everything opened that can be.
 */
final class EveryPage
{
    private const REDUCTIONS = ['blocks', 'outer', 'melody-and-bass'];

    private const PAGES = ['', '/engraving', '/engraving?bars=24', '/plan', '/portrait', '/print', '/print/engraving', '/download.mid', '/download.musicxml', '/download.mxl', '/download.json'];

    /** @var list<string> what did not come */
    public array $troubles = [];

    /** @var array<string, float> what each page or answer took */
    public array $seconds = [];

    /** Why the file was refused; null if it was read. */
    public ?string $refused = null;

    private float $since;

    public function __construct(private readonly TestCase $test, private readonly Student $student)
    {
        $this->since = hrtime(true);
    }

    /**
     * @return ?StudentCopy null if the file was refused
     */
    public function ofFile(string $bytes): ?StudentCopy
    {
        $read = $this->test->postJson('/pieces/reading', ['file' => self::upload($bytes)]);
        if ($read->baseResponse->getStatusCode() === 422) {
            $this->refused = (string) $read->json('errors.file.0');
            $this->troubles = $this->refused === '' ? ['it was refused without a word'] : [];

            return null;
        }
        $this->expect($read, 'reading');
        $this->expect($this->test->post('/pieces', ['file' => self::upload($bytes)]), 'keeping', 302);
        $piece = Piece::query()->latest('id')->first();
        if ($this->troubles !== [] || $piece === null) {
            return null;
        }
        $this->expect($this->test->post('/copies', ['student_id' => $this->student->id, 'piece_id' => $piece->id]), 'giving', 302);
        $copy = $piece->copies()->first();
        if ($copy !== null) {
            $this->ofCopy($copy);
            $this->ofPractice($copy);
        }

        return $copy;
    }

    public function ofCopy(StudentCopy $copy): void
    {
        $url = "/copies/$copy->id";
        $reduced = array_merge(...array_map(fn (string $kind): array => ["/reduced/$kind", "/reduced/$kind/engraving", "/reduced/$kind/download.musicxml"], self::REDUCTIONS));
        foreach ([...self::PAGES, ...$reduced] as $page) {
            $this->expect($this->test->get("$url$page"), $page);
        }
        foreach (['/', "/students/$copy->student_id"] as $page) {
            $this->expect($this->test->get($page), $page);
        }
        $plan = json_decode((string) $this->test->get("$url/plan")->getContent());
        $this->ofPlan($copy, $plan->plan ?? null);
    }

    /**
     * What is practised of it, on the teacher's page, on paper, and at home.
     */
    public function ofPractice(StudentCopy $copy): void
    {
        $copy->update(['status' => CopyStatus::Learning]);
        [, $secret] = CopyLink::to($copy, 4);
        foreach (["/students/$copy->student_id/practice", "/copies/$copy->id/take-home", "/home/$secret", "/home/$secret/engraving", "/home/$secret/rendition"] as $page) {
            $this->expect($this->test->get($page), $page);
        }
    }

    /**
     * @return bool whether it was saved
     */
    public function ofOddPlan(StudentCopy $copy, mixed $plan): bool
    {
        $saved = $this->test->putJson("/copies/$copy->id/plan", ['plan' => $plan, 'revision' => $copy->fresh()?->revision]);
        if ($saved->baseResponse->getStatusCode() === 422) {
            $this->refused = (string) json_encode($saved->json('errors'));

            return false;
        }
        $this->expect($saved, 'saving');

        return $this->troubles === [];
    }

    /**
     * Every answer about a plan that is read, and what is suggested for it, which can be saved.
     */
    public function ofPlan(StudentCopy $copy, mixed $plan): void
    {
        $url = "/copies/$copy->id";
        foreach (array_diff(array_keys(Crafts::registry()->answers()), ['alternatives']) as $answer) {
            $this->expect($this->test->postJson("$url/answers/$answer", ['plan' => $plan, 'asked' => ['at' => '1']]), $answer);
            $this->expect($this->test->postJson("$url/answers/$answer", ['plan' => $plan, 'bars' => ['first' => 1, 'last' => 1], 'asked' => ['at' => '4']]), "$answer around a bar");
        }
        foreach (Crafts::registry()->crafts as $craft) {
            if ($craft->suggestion === null) {
                continue;
            }
            $suggested = $this->test->postJson("$url/suggestions/$craft->craft", ['plan' => $plan]);
            $this->expect($suggested, "suggestion for $craft->craft");
            $body = json_decode((string) $suggested->getContent());
            $this->expect($this->test->postJson("$url/answers/$craft->craft", ['plan' => $body->plan ?? null]), "answer to the suggestion for $craft->craft");
        }
    }

    private function expect(TestResponse $response, string $what, int $status = 200): void
    {
        $this->seconds[$what] = round((hrtime(true) - $this->since) / 1e9, 2);
        $this->since = hrtime(true);
        $came = $response->baseResponse->getStatusCode();
        if ($came === 200 && $response->baseResponse instanceof \Symfony\Component\HttpFoundation\StreamedResponse) {
            $response->streamedContent();
        }
        if ($came !== $status) {
            $error = $response->exception;
            $this->troubles[] = "$what: $came".($error === null ? ' '.mb_substr((string) $response->getContent(), 0, 200)
                : ' '.$error::class." in {$error->getFile()}:{$error->getLine()}: {$error->getMessage()}");
        }
    }

    private static function upload(string $bytes): UploadedFile
    {
        return UploadedFile::fake()->createWithContent('odd.musicxml', $bytes);
    }
}
