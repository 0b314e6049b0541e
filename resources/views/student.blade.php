<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="robots" content="noindex">
    <title>Your part – Upright Pencil</title>
    <link rel="icon" href="/mark.svg" type="image/svg+xml">
    @vite('resources/js/student.ts')
@if ($token !== 'page')
    <link rel="preload" as="fetch" crossorigin href="/api/shared/{{ rawurlencode($token) }}">
    <link rel="preload" as="fetch" crossorigin href="/api/shared/{{ rawurlencode($token) }}/engraved-900" media="(max-width: 639px)">
    <link rel="preload" as="fetch" crossorigin href="/api/shared/{{ rawurlencode($token) }}/engraved-1800" media="(min-width: 640px)">
@endif
@foreach ($scripts as $script)
    <link rel="modulepreload" href="{{ $script }}">
@endforeach
@foreach ($fonts as $font)
    <link rel="preload" as="font" type="font/woff2" crossorigin href="{{ $font }}">
@endforeach
</head>
<body>
    <div id="app"></div>
    <noscript>Upright Pencil draws music in the browser and needs JavaScript.</noscript>
</body>
</html>
