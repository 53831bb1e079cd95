<?php

declare(strict_types=1);

namespace App\Controller;

use App\Api\Problem;
use Symfony\Component\HttpFoundation\Request;
use YellowProbe\Procedure\Kit;
use YellowProbe\Procedure\Practice;

/** How the person who asks works, from the query of a request. */
final class Practices
{
    /** @throws Problem where a word of it is not known */
    public static function of(Request $request): Practice
    {
        $without = $request->query->getString('without');
        try {
            $kit = Kit::without('' === $without ? [] : explode(',', $without));
        } catch (\OutOfBoundsException $e) {
            throw Problem::invalid('/without', $e->getMessage());
        }
        try {
            return new Practice($kit, $request->query->getString('role', Practice::ELECTRICIAN), $request->query->getString('residual', 'either'), $request->query->getString('loop', 'measured'));
        } catch (\InvalidArgumentException $e) {
            throw Problem::invalid('/practice', $e->getMessage());
        }
    }
}
