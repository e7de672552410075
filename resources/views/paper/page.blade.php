<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<title>{{ $title }} · Apalos</title>
<style>
@page { size: {{ $size->width() }}mm {{ $size->height() }}mm; margin: {{ $margins[0] }}mm {{ $margins[1] }}mm {{ $margins[2] }}mm {{ $margins[3] }}mm; }
* { box-sizing: border-box; }
body { font-family: 'DejaVu Sans', sans-serif; font-size: 10.5pt; line-height: 1.3; color: #000; background: #fff; margin: 0; }
h1 { font-size: 22pt; line-height: 1.15; margin: 0 0 1mm; }
h2 { font-size: 13pt; margin: 5mm 0 1.5mm; border-bottom: 0.6mm solid #000; padding-bottom: 0.7mm; page-break-after: avoid; }
h3 { font-size: 11pt; margin: 3mm 0 1mm; page-break-after: avoid; }
p { margin: 0 0 1.5mm; }
ul { margin: 0 0 1.5mm; padding-left: 5mm; }
table { border-collapse: collapse; width: 100%; margin: 0 0 2mm; }
th { text-align: left; font-size: 9pt; border-bottom: 0.4mm solid #000; padding: 0.8mm 1.5mm; vertical-align: bottom; }
td { padding: 1mm 1.5mm; border-bottom: 0.15mm solid #000; vertical-align: top; overflow-wrap: anywhere; word-wrap: break-word; }
tr { page-break-inside: avoid; }
.fig { font-family: 'DejaVu Sans Mono', monospace; white-space: nowrap; text-align: right; }
.large { font-size: 16pt; font-weight: bold; }
.small { font-size: 8.5pt; }
.box { display: inline-block; width: 5mm; height: 5mm; border: 0.5mm solid #000; }
.write { border-bottom: 0.3mm solid #000; display: inline-block; min-width: 28mm; height: 5mm; }
.head { width: 100%; margin-bottom: 2mm; }
.head td { border: 0; padding: 0; }
.head .code { width: 27mm; text-align: right; }
.head img { width: 26mm; height: 26mm; }
.foot { margin-top: 5mm; border-top: 0.3mm solid #000; padding-top: 1mm; font-size: 8pt; }
.stop { border: 0.8mm solid #000; padding: 2mm 3mm; font-weight: bold; }
</style>
</head>
<body>
@yield('sheet')
</body>
</html>
