<?php

declare(strict_types=1);

namespace App\Tests;

use App\Api\Body;
use App\Api\Problem;
use App\House\HouseDocument;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Symfony\Component\HttpFoundation\Request;
use YellowProbe\Installation\HouseError;

/** Requests and documents at the door, without a kernel. */
final class BodyTest extends TestCase
{
    public function testFieldsWithTheirTypes(): void
    {
        $body = self::body(['id' => '01890a5d-ac96-774b-bcce-b302099a8057', 'name' => '  Ada  ', 'at' => '2026-03-09T15:06:00+01:00', 'house' => '']);

        self::assertSame('01890a5d-ac96-774b-bcce-b302099a8057', $body->id()->toRfc4122());
        self::assertSame('Ada', $body->text('name'));
        self::assertSame('2026-03-09 14:06', $body->instant('at')->format('Y-m-d H:i'));
        self::assertNull($body->optionalUuid('house'));
        self::assertNull($body->optionalUuid('none'));
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> body, getter, pointer */
    public static function wrong(): iterable
    {
        yield 'no id' => [['id' => 'x'], 'id', '/id'];
        yield 'an id of another version' => [['id' => 'f47ac10b-58cc-4372-a567-0e02b2c3d479'], 'id', '/id'];
        yield 'empty text' => [['name' => '   '], 'name', '/name'];
        yield 'too long' => [['name' => str_repeat('ä', 201)], 'name', '/name'];
        yield 'a time in words' => [['at' => 'yesterday'], 'at', '/at'];
        yield 'a house that is none' => [['house' => 'blue'], 'house', '/house'];
    }

    /** @param array<string, mixed> $raw */
    #[DataProvider('wrong')]
    public function testAWrongFieldIsNamed(array $raw, string $getter, string $pointer): void
    {
        $body = self::body($raw);
        try {
            match ($getter) {
                'id' => $body->id(),
                'name' => $body->text('name'),
                'at' => $body->instant('at'),
                default => $body->optionalUuid('house'),
            };
            self::fail('It was taken.');
        } catch (Problem $problem) {
            self::assertSame(422, $problem->status);
            self::assertSame($pointer, $problem->pointer);
            self::assertNotSame('', $problem->getMessage());
        }
    }

    public function testTextThatIsNoTextNamesItsField(): void
    {
        $this->expectException(HouseError::class);
        self::body(['name' => 7])->text('name');
    }

    public function testAProblemIsADocument(): void
    {
        $response = Problem::invalid('/payload/raw', 'Type a number.')->response();
        self::assertSame('application/problem+json', $response->headers->get('Content-Type'));
        self::assertSame(['type' => 'about:blank', 'title' => 'This cannot be stored', 'status' => 422, 'detail' => 'Type a number.', 'pointer' => '/payload/raw'], json_decode((string) $response->getContent(), true));
        self::assertArrayNotHasKey('pointer', (array) json_decode((string) Problem::notFound()->response()->getContent(), true));
    }

    public function testAHouseKeepsItsEmptyMapsAndItsNumbersThroughTheDoor(): void
    {
        $json = '{"format":"yellow-probe/house/1","name":"Empty","places":{},"parts":{},"cables":{},"circuits":{},"rest":{"positions":{},"loads":{}}}';
        $house = (new HouseDocument(\dirname(__DIR__, 2)))->decode($json);
        self::assertSame($json, HouseDocument::encode($house->document));
        self::assertStringContainsString('8.0', HouseDocument::encode(['a' => 8.0]));
        self::assertStringContainsString('"ends":[]', HouseDocument::encode(['ends' => []]));
    }

    /** @param array<string, mixed> $raw */
    private static function body(array $raw): Body
    {
        return Body::of(Request::create('/', 'POST', server: ['CONTENT_TYPE' => 'application/json'], content: json_encode($raw, \JSON_THROW_ON_ERROR)));
    }
}
