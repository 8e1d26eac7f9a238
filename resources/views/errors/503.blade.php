<x-message title="Linnet is being worked on">It will be back in a few minutes. Texts that are due wait for it.</x-message>
