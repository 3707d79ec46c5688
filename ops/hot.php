<?php

declare(strict_types=1);

// Writes the list of classes that PHP keeps at hand (bootstrap/preload.php): all of ours that answer requests, and of the packages those
// that some answers of each kind were seen to need; and the schema of each request by itself. usage: php ops/hot.php FOLDER

use App\Http\RequestChecks;
use App\Models\Trainer;
use EvenRungs\Storage\DataFolder;
use Illuminate\Contracts\Http\Kernel;
use Illuminate\Foundation\Application;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\View\Component;

$root = dirname(__DIR__);
require $root.'/vendor/autoload.php';
/** @var Application $app */
$app = require $root.'/bootstrap/app.php';
$kernel = $app->make(Kernel::class);
$ask = static fn (string $method, string $path, string $body = ''): mixed => $kernel->handle(
    Request::create($path, $method, server: ['HTTP_ACCEPT' => 'application/json', 'CONTENT_TYPE' => 'application/json'], content: $body),
);
$ask('GET', '/api/health');
$ask('GET', '/sign-in');
$ask('GET', '/api/me');
$ask('POST', '/api/sign-in', '{"email": "", "password": ""}');
$app->make(DataFolder::class)->style(DataFolder::DEFAULT_STYLE);
$trainer = Trainer::query()->first();
if ($trainer !== null) {
    // the list keeps what it finds; this look at it leaves nothing
    DB::beginTransaction();
    Auth::setUser($trainer);
    $ask('GET', '/api/clients');
    DB::rollBack();
}

$names = [Component::class];
foreach (array_merge(get_declared_interfaces(), get_declared_traits(), get_declared_classes()) as $name) {
    $file = (new ReflectionClass($name))->getFileName();
    if ($file !== false && str_starts_with($file, $root.'/vendor/') && ! str_contains($name, '@anonymous')) {
        $names[] = $name;
    }
}
$map = require $root.'/vendor/composer/autoload_classmap.php';
foreach ($map as $name => $file) {
    $ours = preg_match('#^'.preg_quote($root, '#').'/(core|formats|storage|app)/#', $file) === 1;
    if ($ours && ! str_contains($file, '/app/Console/')) {
        $names[] = $name;
    }
}
$names = array_values(array_filter(array_unique($names), static fn (string $name): bool => isset($map[$name])));
foreach (['hot' => $names, 'checks' => $app->make(RequestChecks::class)->all()] as $file => $what) {
    file_put_contents("$argv[1]/$file.new", '<?php return '.var_export($what, true).';');
    rename("$argv[1]/$file.new", "$argv[1]/$file.php");
}
