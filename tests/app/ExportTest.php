<?php

declare(strict_types=1);

namespace App\Tests;

use App\Entity\Observation;
use App\Entity\SecurityEvent;
use App\Photo\PhotoStore;
use Doctrine\ORM\EntityManagerInterface;
use League\Flysystem\FilesystemOperator;
use Opis\JsonSchema\Errors\ErrorFormatter;
use Opis\JsonSchema\Validator;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\Uid\UuidV7;

final class ExportTest extends ApiTestCase
{
    public function testACallIsTakenOutWithEveryEntryHouseAndPicture(): void
    {
        $call = $this->demoCall('4 Wicket');
        $picture = imagecreatetruecolor(5, 4);
        ob_start();
        imagepng($picture);
        $this->observe($call, 'seen', ['text' => 'A burnt terminal.', 'photo' => 'data:image/png;base64,'.base64_encode((string) ob_get_clean())]);
        [$document, $names, $zip] = $this->bundle($call);

        $entries = self::service(EntityManagerInterface::class)->getRepository(Observation::class)->findBy(['call' => $call], ['position' => 'ASC']);
        self::assertNotEmpty($entries);
        self::assertSame(array_map(static fn (Observation $entry): string => $entry->id->toRfc4122(), $entries), array_column((array) $document['entries'], 'id'), 'all, in their order');
        $last = $entries[\count($entries) - 1];
        self::assertEquals($last->payload, self::at($document, 'entries', \count($entries) - 1, 'payload'));
        $photo = (array) ($last->payload['photo'] ?? []);
        $path = PhotoStore::path(self::textAt($photo['file']));
        self::assertSame(['call.json', $path], $names);
        self::assertSame($photo['file'], hash('sha256', (string) $zip->getFromName($path)));
        self::assertSame([], $document['missingPictures']);

        $event = self::service(EntityManagerInterface::class)->getRepository(SecurityEvent::class)->findOneBy(['kind' => 'exported'], ['at' => 'DESC', 'id' => 'DESC']);
        self::assertSame(['about' => $call], $event?->detail);

        // A picture that is gone is said, and everything else is there all the same.
        self::service(FilesystemOperator::class)->delete($path);
        [$document, $names] = $this->bundle($call);
        self::assertSame([[$photo['file']], ['call.json']], [$document['missingPictures'], $names]);
        self::assertCount(\count($entries), (array) $document['entries']);
    }

    public function testACallWithoutAHouseOrAnEntryIsTakenOutToo(): void
    {
        $id = (new UuidV7())->toRfc4122();
        $this->call('POST', '/api/calls', ['id' => $id, 'address' => '4 Quarry Steps', 'customer' => 'Ms Odell', 'complaint' => 'No light – “none at all”.', 'visit' => 'fault', 'openedAt' => '2026-11-30T09:00:00+00:00'], 201);
        [$document, $names] = $this->bundle($id);
        self::assertSame([[], [], null], [$document['entries'], $document['people'], $document['house']]);
        self::assertSame('No light – “none at all”.', self::at($document, 'call', 'complaint'));
        self::assertSame(['call.json'], $names);
        $this->client->request('GET', '/api/calls/'.(new UuidV7())->toRfc4122().'/bundle');
        self::assertSame(404, $this->client->getResponse()->getStatusCode());
    }

    /** @return array{array<string, mixed>, list<string>, \ZipArchive} the document, which its schema holds, and the names of all files */
    private function bundle(string $call): array
    {
        $this->client->request('GET', "/api/calls/$call/bundle");
        $response = $this->client->getResponse();
        self::assertInstanceOf(BinaryFileResponse::class, $response);
        self::assertStringContainsString('attachment; filename=call-20', (string) $response->headers->get('Content-Disposition'));
        $copy = (string) tempnam(sys_get_temp_dir(), 'copy');
        file_put_contents($copy, $this->client->getInternalResponse()->getContent());
        $zip = new \ZipArchive();
        self::assertTrue($zip->open($copy));
        unlink($copy);
        $names = [];
        for ($at = 0; $at < $zip->numFiles; ++$at) {
            $names[] = (string) $zip->getNameIndex($at);
        }
        sort($names);
        $json = (string) $zip->getFromName('call.json');
        $validator = new Validator();
        foreach (['call', 'house'] as $schema) {
            $validator->resolver()?->registerFile("https://yellow-probe.example/$schema.schema.json", \dirname(__DIR__, 2)."/docs/$schema.schema.json");
        }
        $error = $validator->validate(json_decode($json, false, 64, \JSON_THROW_ON_ERROR), 'https://yellow-probe.example/call.schema.json')->error();
        self::assertNull($error, null === $error ? '' : (string) json_encode((new ErrorFormatter())->format($error)));
        /** @var array<string, mixed> $document */
        $document = json_decode($json, true, 64, \JSON_THROW_ON_ERROR);

        return [$document, $names, $zip];
    }
}
