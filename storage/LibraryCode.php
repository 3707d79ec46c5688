<?php

declare(strict_types=1);

namespace EvenRungs\Storage;

use Closure;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Packed;
use ReflectionClass;
use UnitEnum;

/**
 * A built library as PHP that makes it again. What is no object in it stays in the memory that all workers share, and values that are the
 * same are made once.
 */
final class LibraryCode
{
    /** @var array<string, string> variable by the expression that it holds */
    private array $variables = [];

    /** @var list<string> */
    private array $lines = [];

    /** @return string a PHP file that returns the library */
    public static function of(Library $library): string
    {
        $code = new self;
        // what was built and checked is kept too, what was found on the way is not
        $parts = $code->value(['found' => []] + Closure::bind(static fn (): array => get_object_vars($library), null, Library::class)());

        return "<?php\n\n".implode("\n", $code->lines)."\nreturn \\".self::class."::made($parts);\n";
    }

    /**
     * The library of the parts that were written.
     *
     * @param  array<string, mixed>  $parts
     */
    public static function made(array $parts): Library
    {
        $library = (new ReflectionClass(Library::class))->newInstanceWithoutConstructor();
        Closure::bind(static function () use ($library, $parts): void {
            foreach ($parts as $name => $part) {
                $library->{$name} = $part;
            }
        }, null, Library::class)();

        return $library;
    }

    private function value(mixed $value): string
    {
        return match (true) {
            $value instanceof UnitEnum => '\\'.$value::class.'::'.$value->name,
            is_object($value) => $this->variable($this->expression($value)),
            is_array($value) => '['.implode(', ', array_map(
                fn (int|string $key, mixed $each): string => var_export($key, true).' => '.$this->value($each),
                array_keys($value),
                $value,
            )).']',
            default => var_export($value, true),
        };
    }

    private function variable(string $expression): string
    {
        if (! isset($this->variables[$expression])) {
            $this->variables[$expression] = '$v'.count($this->variables);
            $this->lines[] = $this->variables[$expression].' = '.$expression.';';
        }

        return $this->variables[$expression];
    }

    private function expression(object $object): string
    {
        if ($object instanceof Packed) {
            return sprintf('\\%s::packed(%s)', Packed::class, var_export($object->__serialize()[0], true));
        }
        $class = new ReflectionClass($object);
        $arguments = [];
        foreach ($class->getConstructor()?->isPublic() === true ? $class->getConstructor()->getParameters() : [] as $parameter) {
            $property = $class->getProperty($parameter->getName());
            $arguments[] = $this->value($property->getValue($object));
        }

        return $arguments === []
            ? sprintf('\unserialize(%s)', var_export(serialize($object), true))
            : sprintf('new \\%s(%s)', $class->getName(), implode(', ', $arguments));
    }
}
