<?php

declare(strict_types=1);

namespace App\Export;

use App\Api\Problem;
use App\Entity\Call;
use App\Entity\Observation;
use App\Photo\PhotoStore;
use Doctrine\ORM\EntityManagerInterface;
use Psr\Log\LoggerInterface;

/** A call as one file to take away: its document, and beside it every picture that an entry names. */
final readonly class CallBundle
{
    public const DOCUMENT = 'call.json';

    public function __construct(private EntityManagerInterface $entities, private CallDocument $document, private PhotoStore $photos, private LoggerInterface $logger)
    {
    }

    /** @return string path of a ZIP file, which whoever asked for it removes */
    public function of(Call $call): string
    {
        $entries = $this->entities->getRepository(Observation::class)->findBy(['call' => $call], ['position' => 'ASC']);
        $path = (string) tempnam(sys_get_temp_dir(), 'call');
        $zip = new \ZipArchive();
        $isMade = true === $zip->open($path, \ZipArchive::OVERWRITE);
        $missing = [];
        foreach ($this->files($entries) as $file) {
            $picture = PhotoStore::path($file);
            $bytes = $this->photos->find($file);
            if (null === $bytes) {
                $missing[] = $file;
                continue;
            }
            // A picture does not get smaller by being packed.
            $isMade = $isMade && $zip->addFromString($picture, $bytes) && $zip->setCompressionName($picture, \ZipArchive::CM_STORE);
        }
        $isMade = $isMade && $zip->addFromString(self::DOCUMENT, $this->document->json($call, $entries, $missing));
        if (!$isMade || !$zip->close()) {
            @unlink($path);
            $this->logger->error('A call cannot be packed', ['status' => $zip->getStatusString()]);
            throw new Problem(507, 'No room for the file', 'The call cannot be packed at the moment: the disk of the server may be full. What is stored is safe; tell whoever runs this.');
        }

        return $path;
    }

    /**
     * @param list<Observation> $entries
     *
     * @return list<string> of the pictures, each once
     */
    private function files(array $entries): array
    {
        $files = [];
        foreach ($entries as $entry) {
            $photo = $entry->payload['photo'] ?? null;
            if (\is_array($photo) && \is_string($photo['file'] ?? null)) {
                $files[$photo['file']] = $photo['file'];
            }
        }

        return array_values($files);
    }
}
