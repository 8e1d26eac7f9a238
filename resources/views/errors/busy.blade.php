<x-message title="Not just now">{{ $sent
    ? 'What you sent was not kept: there is too much to do at once, or no room left. What you typed is still where you typed it: send it again in a moment.'
    : 'There is too much to do at once, or no room left. Ask again in a moment.' }}</x-message>
