<x-message title="Not for your role">You may look, but this act is left to others. An administrator can change what you may do.</x-message>
