{{ $says }}
