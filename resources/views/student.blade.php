<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="robots" content="noindex">
    <title>Your part – Upright Pencil</title>
    <link rel="icon" href="/mark.svg" type="image/svg+xml">
    @vite('resources/js/student.ts')
</head>
<body>
    <div id="app"></div>
    <noscript>Upright Pencil draws music in the browser and needs JavaScript.</noscript>
</body>
</html>
