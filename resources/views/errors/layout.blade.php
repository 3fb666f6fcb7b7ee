<!doctype html>
<html lang="en-GB">
<head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1"><title>@yield('title') – Wide Quarry</title>
<style>body{background:#FBF9F5;color:#1F2528;font:17px/27px serif;max-width:36rem;margin:16vh auto;padding:0 1.5rem}h1{font:600 24px/32px sans-serif}a{color:#0E6A5B}</style></head>
<body><main><h1>@yield('title')</h1><p>@yield('message')</p><p><a href="/banks">Go to your banks</a></p></main></body>
</html>
