<?php

declare(strict_types=1);

namespace App\Command;

use App\Api\OpenApi;
use Symfony\Component\Console\Attribute\AsCommand;
use Symfony\Component\Console\Command\Command;
use Symfony\Component\Console\Input\InputInterface;
use Symfony\Component\Console\Output\OutputInterface;

#[AsCommand('openapi', 'Print the description of the API, generated from the code')]
final class OpenApiCommand extends Command
{
    public function __construct(private readonly OpenApi $openApi)
    {
        parent::__construct();
    }

    protected function execute(InputInterface $input, OutputInterface $output): int
    {
        $output->write($this->openApi->json(), false, OutputInterface::OUTPUT_RAW);

        return self::SUCCESS;
    }
}
