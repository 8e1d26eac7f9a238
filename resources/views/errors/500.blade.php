<x-message title="Something broke on our side">Nothing of yours is lost. It has been written down; try again in a moment.</x-message>
