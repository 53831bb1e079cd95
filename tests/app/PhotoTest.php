<?php

declare(strict_types=1);

namespace App\Tests;

use App\Entity\Call;
use App\Entity\Observation;
use App\Photo\Disk;
use App\Photo\PhotoStore;
use App\Photo\Picture;
use Doctrine\ORM\EntityManagerInterface;
use League\Flysystem\FilesystemOperator;
use Psr\Log\NullLogger;
use Symfony\Component\Uid\UuidV7;

/** Pictures: drawn anew, kept once beside the journal, named in it by their hashes. */
final class PhotoTest extends ApiTestCase
{
    public function testWhatACameraWritesIntoAPictureIsGoneAndItStandsUpright(): void
    {
        $picture = Picture::ofUrl('data:image/jpeg;base64,'.base64_encode(self::jpegOnItsSide()));
        self::assertStringNotContainsString('Exif', $picture->bytes);
        self::assertStringNotContainsString('SECRET-PLACE', $picture->bytes);
        self::assertSame([20, 40], \array_slice((array) getimagesizefromstring($picture->bytes), 0, 2), 'turned by what the camera said');
        $large = Picture::ofUrl('data:image/png;base64,'.base64_encode(self::png(2400, 600)));
        self::assertSame([1600, 400], \array_slice((array) getimagesizefromstring($large->bytes), 0, 2));
    }

    public function testAnEntryKeepsHashesAndTheSameRequestAgainStoresOnce(): void
    {
        $call = $this->demoCall('4 Wicket');
        $png = self::png(4, 3);
        $sent = ['text' => 'A burnt terminal.', 'photo' => 'data:image/png;base64,'.base64_encode($png)];
        $id = (new UuidV7())->toRfc4122();
        $first = $this->observe($call, 'seen', $sent, id: $id);
        self::assertSame($first['position'], $this->observe($call, 'seen', $sent, id: $id)['position']);
        $this->observe($call, 'seen', ['photo' => 'data:image/png;base64,'.base64_encode(self::png(3, 4))] + $sent, 409, $id);
        $this->observe($call, 'seen', ['text' => 'Another.'] + $sent, 409, $id);
        $stored = self::service(EntityManagerInterface::class)->find(Observation::class, $id);
        $photo = (array) ($stored->payload['photo'] ?? []);
        self::assertSame(hash('sha256', $png), $photo['sent']);
        $file = self::service(FilesystemOperator::class)->read(PhotoStore::path(self::textAt($photo['file'])));
        self::assertSame([hash('sha256', $file), \strlen($file)], [$photo['file'], $photo['bytes']]);
        $record = (array) $first['record'];
        self::assertContains(['label' => 'Photo, SHA-256', 'value' => $photo['file']], (array) self::at((array) end($record), 'facts'));
    }

    public function testWhatIsNoPictureIsRefused(): void
    {
        $call = $this->demoCall('4 Wicket');
        $png = self::png(4, 3);
        foreach ([[], 7, 'x', ['sent' => 'a', 'file' => 'b', 'type' => 'image/jpeg', 'bytes' => 1], 'data:image/png;base64,'.base64_encode(substr($png, 0, 30)), 'data:image/jpeg;base64,'.base64_encode($png), 'data:image/svg+xml;base64,'.base64_encode('<svg/>'), 'data:image/png;base64,'.base64_encode(self::claims(30_000, 30_000))] as $at => $photo) {
            self::assertSame('/payload/photo', $this->observe($call, 'seen', ['text' => 'x', 'photo' => $photo], 422)['pointer'], (string) $at);
        }
    }

    public function testACallHoldsSoManyPicturesAndTheLastOneCanBeSentAgain(): void
    {
        $call = $this->demoCall('4 Wicket');
        $row = self::service(EntityManagerInterface::class)->find(Call::class, $call) ?? self::fail();
        $position = $this->observe($call, 'told', ['text' => 'x'])['position'];
        \assert(\is_int($position));
        $at = new \DateTimeImmutable('2026-11-20 10:00:00');
        $photo = ['sent' => hash('sha256', 'a'), 'file' => hash('sha256', 'b'), 'type' => 'image/jpeg', 'bytes' => 1];
        for ($stored = 1; $stored < PhotoStore::MOST_A_CALL; ++$stored) {
            self::service(EntityManagerInterface::class)->persist(new Observation(new UuidV7(), $row->firm, $row, $position + $stored, 'seen', ['text' => 'x', 'photo' => $photo], [], 1, [], $this->user(), $at, $at));
        }
        self::service(EntityManagerInterface::class)->flush();
        $last = ['text' => 'The last.', 'photo' => 'data:image/png;base64,'.base64_encode(self::png(4, 3))];
        $id = (new UuidV7())->toRfc4122();
        $this->observe($call, 'seen', $last, id: $id);
        $this->observe($call, 'seen', $last, id: $id);
        self::assertSame('/payload/photo', $this->observe($call, 'seen', $last, 422)['pointer']);
        $this->observe($call, 'seen', ['text' => 'Without one.']);
    }

    public function testANearlyFullDiskRefusesPicturesAndTakesReadings(): void
    {
        $full = new Disk(sys_get_temp_dir(), \PHP_INT_SIZE * 1_000_000_000);
        self::assertTrue($full->isNearlyFull());
        self::assertFalse((new Disk(sys_get_temp_dir(), 0))->isNearlyFull());
        $store = new PhotoStore(self::service(FilesystemOperator::class), $full, self::service(EntityManagerInterface::class)->getConnection(), new NullLogger());
        self::assertSame(['text' => 'x'], $store->taken(['text' => 'x']));
        $this->expectExceptionMessage('pictures are not taken, readings are');
        $store->taken(['photo' => 'data:image/png;base64,'.base64_encode(self::png(4, 3))]);
    }

    /**
     * @param int<1, max> $width
     * @param int<1, max> $height
     */
    private static function png(int $width, int $height): string
    {
        $image = imagecreatetruecolor($width, $height);
        self::assertNotFalse($image);
        imagesetpixel($image, 1, 1, 0xFF8800);
        ob_start();
        imagepng($image);

        return (string) ob_get_clean();
    }

    /** A JPEG of 40 × 20 with the note of a camera that it was held on its side, and where. */
    private static function jpegOnItsSide(): string
    {
        $image = imagecreatetruecolor(40, 20);
        self::assertNotFalse($image);
        ob_start();
        imagejpeg($image);
        $jpeg = (string) ob_get_clean();
        // One directory of a TIFF in Exif: orientation 6, and a description.
        $description = "SECRET-PLACE\0";
        $tiff = "MM\0*".pack('N', 8).pack('n', 2)
            .pack('nnNN', 0x010E, 2, \strlen($description), 38)
            .pack('nnNnn', 0x0112, 3, 1, 6, 0)
            .pack('N', 0).$description;
        $exif = "Exif\0\0".$tiff;

        return "\xFF\xD8\xFF\xE1".pack('n', \strlen($exif) + 2).$exif.substr($jpeg, 2);
    }

    /** The head of a PNG that says it is so large. */
    private static function claims(int $width, int $height): string
    {
        $head = pack('NNCCCCC', $width, $height, 8, 2, 0, 0, 0);

        return "\x89PNG\r\n\x1a\n".pack('N', 13).'IHDR'.$head.pack('N', crc32('IHDR'.$head)).str_repeat("\0", 100);
    }
}
