<x-message title="There is nothing here">The address leads nowhere. Perhaps it was mistyped, or what stood here is gone.</x-message>
