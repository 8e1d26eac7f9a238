<x-message title="The page was open too long">Go back, load the page again and repeat what you did. Nothing was changed.</x-message>
